<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Asset\AssetWorker;
use Rhapsode\App\Asset\PrepareAssets;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Classroom\Part;
use Rhapsode\App\Classroom\Teaching;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Shared\SameOrigin;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Tool\Scratch;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Messenger\Transport\TransportInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Tests through HTTP on PostgreSQL; each test's changes are rolled back. Every answer is checked against the published
 * contract (schema/openapi.yaml).
 */
abstract class AppTestCase extends WebTestCase
{
    private static ?Scratch $scratch = null;

    protected KernelBrowser $client;
    protected Assignment $assignment;
    /** @var array<string, User> */
    protected array $people = [];
    protected School $school;
    protected Classroom $classroom;
    private Contract $contract;
    /** @var array<string, string> by role, what is kept of everybody's password */
    private static array $passwords = [];

    protected function setUp(): void
    {
        $this->client = self::createClient();
        $this->client->disableReboot();
        $this->contract = new Contract();
        $entities = $this->entities();
        $this->school = new School('A house');
        $entities->persist($this->school);
        $teacher = $this->person('tara', Role::Teacher, null);
        $this->classroom = $class = new Classroom('Class A', $this->school, 'otter mill', $teacher);
        $entities->persist($class);
        $stranger = $this->person('theo', Role::Teacher, null);
        $other = new Classroom('Class B', $this->school, 'heron lamp', $stranger);
        $entities->persist($other);
        $this->classroom->teachings->add(new Teaching($this->person('hugo', Role::Teacher, null), $class, Part::Helper));
        $this->person('ada', Role::Administrator, null);
        $house = $this->school;
        $this->school = new School('Another house');
        $entities->persist($this->school);
        $this->person('olga', Role::Administrator, null);
        $this->school = $house;
        $this->person('sam', Role::Student, $class);
        $this->person('sue', Role::Student, $class);
        $this->person('ben', Role::Student, $other);
        $this->person('gil', Role::Guest, null)->until = new \DateTimeImmutable('+5 days');
        $this->assignment = new Assignment($class, 'Tell it', 'In pictures', 1, 600, new \DateTimeImmutable('+5 days'));
        $entities->persist($this->assignment);
        $entities->flush();
    }

    /** Whatever a test did, every stored story is one of the published schema. */
    protected function assertPostConditions(): void
    {
        foreach ($this->entities()->getRepository(StoryRecord::class)->findAll() as $story) {
            $this->contract->checkStory($story->document());
        }
    }

    private function person(string $name, Role $role, ?Classroom $class): User
    {
        $hasher = self::service(UserPasswordHasherInterface::class);
        $user = new User($this->school, $name, ucfirst($name), $role);
        if (null !== $class) {
            $this->entities()->persist(new Membership($user, $class));
        }
        // Dear to make, and the same for everybody of a role.
        $user->password = self::$passwords[$role->value] ??= $hasher->hashPassword($user, 'a password');
        $this->entities()->persist($user);

        return $this->people[$name] = $user;
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    protected static function service(string $class): object
    {
        $service = self::getContainer()->get($class);
        \assert($service instanceof $class);

        return $service;
    }

    protected function entities(): EntityManagerInterface
    {
        return self::service(EntityManagerInterface::class);
    }

    protected function as(?string $name): static
    {
        $this->client->restart();
        if (null !== $name) {
            $this->client->loginUser($this->people[$name], 'api');
        }

        return $this;
    }

    /**
     * @param array<string, mixed>|string|null $body
     * @param array<string, string>            $headers
     */
    protected function ask(string $method, string $path, array|string|null $body = null, array $headers = []): Response
    {
        $server = ['HTTP_' . strtoupper(str_replace('-', '_', SameOrigin::HEADER)) => '1', 'CONTENT_TYPE' => 'application/json'];
        foreach ($headers as $name => $value) {
            $server['HTTP_' . strtoupper(str_replace('-', '_', $name))] = $value;
        }
        $this->client->request(
            $method,
            $path,
            server: $server,
            content: \is_array($body) ? json_encode($body, \JSON_THROW_ON_ERROR) : $body,
        );
        $response = $this->client->getResponse();
        $this->contract->check(
            $method,
            $path,
            $response,
            \is_array($body) ? 'application/json' : null,
            (string) $this->client->getRequest()->getContent(),
        );

        return $response;
    }

    /**
     * @param array<string, mixed>|string|null $body
     * @param array<string, string>            $headers
     *
     * @return array<string, mixed>
     */
    protected function told(string $method, string $path, array|string|null $body = null, int $status = 200, array $headers = []): array
    {
        $response = $this->ask($method, $path, $body, $headers);
        self::assertSame($status, $response->getStatusCode(), (string) $response->getContent());
        /** @var array<string, mixed> $data */
        $data = json_decode((string) $response->getContent(), true, 32, \JSON_THROW_ON_ERROR);

        return $data;
    }

    /** A story of the signed-in student with a title slide. */
    protected function story(): string
    {
        $id = $this->told('POST', '/api/stories', ['title' => 'The mill', 'assignment' => (string) $this->assignment->id], 201)['id'];
        \assert(\is_string($id));

        return $id;
    }

    /** @param array<string, mixed> $edit */
    protected function edit(string $story, array $edit, int $status = 200): mixed
    {
        return $this->told(
            'POST',
            "/api/stories/{$story}/edits",
            ['edits' => [$edit]],
            $status,
            ['If-Match' => '"' . $this->revision($story) . '"'],
        );
    }

    protected function revision(string $story): int
    {
        $revision = $this->told('GET', "/api/stories/{$story}")['revision'];
        \assert(\is_int($revision));

        return $revision;
    }

    /**
     * Sends a file in as a page does, and has it made ready.
     *
     * @param list<string>         $after slides that a picture should follow, the nearest first
     * @param array<string, mixed> $onto  beside what its slide shows, or which layer's picture it replaces
     *
     * @return array<string, mixed> how it ended
     */
    protected function bringIn(
        string $story,
        string $path,
        string $name = 'picture.jpg',
        string $kind = 'picture',
        ?string $slide = null,
        array $after = [],
        array $onto = [],
    ): array {
        return $this->prepared($this->sent($story, $path, $name, $kind, $slide, $after, $onto));
    }

    /**
     * Sends a file in as a page does, and leaves it waiting.
     *
     * @param list<string>         $after
     * @param array<string, mixed> $onto
     *
     * @return string its id
     */
    protected function sent(
        string $story,
        string $path,
        string $name,
        string $kind,
        ?string $slide = null,
        array $after = [],
        array $onto = [],
    ): string {
        $begun = $this->told(
            'POST',
            "/api/stories/{$story}/assets",
            ['kind' => $kind, 'file' => $name, 'slide' => $slide ?? ('picture' === $kind ? (string) Uuid::v7() : null), 'after' => $after] + $onto,
            201,
        );
        $id = $begun['id'];
        \assert(\is_string($id));
        $parts = str_split((string) file_get_contents($path), 4_000_000);
        foreach ($parts as $number => $bytes) {
            self::assertSame('' === $bytes ? 422 : 204, $this->ask('PUT', "/api/assets/{$id}/parts/{$number}", $bytes)->getStatusCode());
        }
        $this->told('POST', "/api/assets/{$id}/finish", ['parts' => \count($parts)], 202);

        return $id;
    }

    /** @return array<string, mixed> an asset, when what waits has been made ready */
    protected function prepared(string $id): array
    {
        $asset = $this->entities()->find(AssetRecord::class, $id);
        self::assertNotNull($asset);
        self::service(AssetWorker::class)->one($asset);

        return $this->told('GET', "/api/assets/{$id}");
    }

    /**
     * Does what waits in a queue of assets, as its worker would.
     *
     * @param ?\Closure(): void $then after each
     */
    protected function consume(string $queue, ?\Closure $then = null): void
    {
        $transport = self::getContainer()->get("messenger.transport.{$queue}");
        self::assertInstanceOf(TransportInterface::class, $transport);
        while ([] !== $envelopes = [...$transport->get()]) {
            foreach ($envelopes as $envelope) {
                $message = $envelope->getMessage();
                self::assertInstanceOf(PrepareAssets::class, $message);
                self::service(AssetWorker::class)->prepare($message);
                $transport->ack($envelope);
                null === $then || $then();
            }
        }
    }

    /** A film of somebody's, made and handed in. */
    protected function handsIn(string $who): HandIn
    {
        $record = new StoryRecord($this->people[$who], new Story("By {$who}", [new Slide('t')]), $this->assignment);
        $film = new FilmRecord($record);
        $film->state = FilmState::Done;
        $film->problems = [];
        $film->seconds = 8;
        $handIn = new HandIn($this->assignment, $this->people[$who], $record, $film, 1);
        foreach ([$record, $film, $handIn] as $one) {
            $this->entities()->persist($one);
        }

        return $handIn;
    }

    /** A place for a file of this run, which goes with it. */
    protected static function scratch(string $name): string
    {
        return (self::$scratch ??= new Scratch())->path($name);
    }

    /** A picture that differs from every other. */
    protected static function newPicture(): string
    {
        $path = self::scratch(bin2hex(random_bytes(6)) . '.jpg');
        $image = new \Imagick();
        $image->newPseudoImage(1280, 720, 'gradient:#' . bin2hex(random_bytes(3)) . '-#' . bin2hex(random_bytes(3)));
        $image->setImageFormat('jpeg');
        $image->writeImage($path);

        return $path;
    }

    /**
     * What is at a path of keys in an answer.
     *
     * @param array<string, mixed> $data
     */
    protected static function at(array $data, string|int ...$keys): mixed
    {
        $value = $data;
        foreach ($keys as $key) {
            self::assertIsArray($value);
            self::assertArrayHasKey($key, $value);
            $value = $value[$key];
        }

        return $value;
    }
}
