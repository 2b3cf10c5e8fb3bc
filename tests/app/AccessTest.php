<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\Evening\Evening;
use Rhapsode\App\HandIn\Guest;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\Lti\Platform;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\Drawings;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Symfony\Component\Uid\Uuid;

/** Who may what: each route, asked by everybody. */
final class AccessTest extends AppTestCase
{
    private static ?string $drawn = null;

    /** @return iterable<string, array{string, string}> */
    public static function routes(): iterable
    {
        foreach (Contract::operations() as [$method, $path]) {
            yield "{$method} {$path}" => [$method, $path];
        }
    }

    /** @return iterable<string, array{string, string, string|null}> */
    public static function let(): iterable
    {
        foreach (self::routes() as $route => [$method, $path]) {
            foreach (WhoMay::MAY[$route] ?? [] as $who) {
                yield "{$route} by " . ($who ?? 'nobody') => [$method, $path, $who];
            }
        }
    }

    /** What one of them does is not there for the next: each begins anew. */
    #[DataProvider('let')]
    public function testWhoMayIsLetThrough(string $method, string $path, ?string $who): void
    {
        $response = $this->as($who)->ask($method, $this->filled($path), 'GET' === $method ? null : '{}', ['If-Match' => '"1"']);
        $status = $response->getStatusCode();

        self::assertNotContains($status, [403, 404, 500], (string) $response->getContent());
        // Where nobody is signed in, a wrong password is refused too, but by the route itself.
        self::assertTrue(401 !== $status || str_contains(
            (string) $response->getContent(),
            '"account.wrong',
        ) || 'POST /api/session/begin' === "{$method} {$path}");
    }

    /** A refusal changes nothing: all of them ask for the same. */
    #[DataProvider('routes')]
    public function testNobodyElseIsLetThrough(string $method, string $path): void
    {
        self::assertArrayHasKey("{$method} {$path}", WhoMay::MAY, 'every route says who may');
        $filled = $this->filled($path);
        foreach (WhoMay::EVERYBODY as $who) {
            if (\in_array($who, WhoMay::MAY["{$method} {$path}"], true)) {
                continue;
            }
            $response = $this->as($who)->ask($method, $filled, 'GET' === $method ? null : '{}', ['If-Match' => '"1"']);
            $said = ($who ?? 'nobody') . ': ' . $response->getContent();
            self::assertSame(null === $who ? 401 : 404, $response->getStatusCode(), $said);
            self::assertFalse($response->headers->has('X-Accel-Redirect'), $said);
        }
    }

    /** A deleted story takes what hangs on it along; what was handed in stays to be read by those who had it. */
    public function testWhatHangsOnADeletedStoryIsGoneWithIt(): void
    {
        $made = $this->made();
        $this->as('sam')->ask('DELETE', "/api/stories/{$made['story']}");
        foreach ([
            "/api/assets/{$made['take']}",
            "/api/stories/{$made['story']}/assets/{$made['take']}/voice.flac",
            "/api/stories/{$made['story']}/assets/{$made['picture']}/full.jpg",
            "/api/stories/{$made['story']}/words/{$made['words']}.png",
        ] as $path) {
            self::assertSame(404, $this->ask('GET', $path)->getStatusCode(), $path);
        }
        $this->told('POST', "/api/films/{$made['film']}/cancel", null, 404);
        $this->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => $made['film']], 404);
        foreach (['sam', 'tara'] as $reader) {
            $this->as($reader)->told('GET', "/api/handins/{$made['handIn']}");
            $this->told('GET', "/api/films/{$made['film']}");
        }
        $this->entities()->createQuery('DELETE ' . Remark::class)->execute();
        $this->entities()->createQuery('DELETE ' . Guest::class)->execute();
        $this->entities()->createQuery('DELETE ' . PeerAnswer::class)->execute();
        $this->entities()->createQuery('DELETE ' . HandIn::class)->execute();
        $this->as('sam')->told('GET', "/api/films/{$made['film']}", null, 404);
        self::assertSame(404, $this->ask('GET', "/api/films/{$made['film']}/film.mp4")->getStatusCode());
        self::assertSame(404, $this->ask('GET', "/api/films/{$made['film']}/captions.srt")->getStatusCode());
    }

    public function testWhatIsNoIdIsNotThere(): void
    {
        $made = $this->made();
        $this->as('tara');
        foreach ([str_repeat('-', 36), str_repeat('a', 36), '00000000-0000-0000-0000-000000000000'] as $odd) {
            $this->client->request('DELETE', "/api/handins/{$made['handIn']}/remarks/{$odd}", server: ['HTTP_X_RHAPSODE' => '1']);
            self::assertSame(404, $this->client->getResponse()->getStatusCode(), $odd);
            $this->client->request('GET', "/api/handins/{$odd}");
            self::assertSame(404, $this->client->getResponse()->getStatusCode(), $odd);
        }
    }

    public function testAFilmThatIsNotHandedInIsItsMakersAlone(): void
    {
        $film = $this->made()['film'];
        $this->entities()->createQuery('DELETE ' . Remark::class)->execute();
        $this->entities()->createQuery('DELETE ' . Guest::class)->execute();
        $this->entities()->createQuery('DELETE ' . PeerAnswer::class)->execute();
        $this->entities()->createQuery('DELETE ' . HandIn::class)->execute();

        $this->as('tara')->told('GET', "/api/films/{$film}", null, 404);
        $this->as('sam')->told('GET', "/api/films/{$film}");
    }

    /** The path with ids of things that are there. */
    private function filled(string $path): string
    {
        $made = $this->made();
        $id = match (true) {
            str_starts_with($path, '/api/assets') => $made['take'],
            str_starts_with($path, '/api/films') => $made['film'],
            str_starts_with($path, '/api/school/platforms') => $this->platform(),
            str_starts_with($path, '/api/school/people') => (string) $this->people['tara']->id,
            str_starts_with($path, '/api/classes') => (string) $this->classroom->id,
            str_starts_with($path, '/api/assignments'), str_starts_with($path, '/api/evenings') => (string) $this->assignment->id,
            str_starts_with($path, '/api/handins') => $made['handIn'],
            default => $made['story'],
        };

        $query = '';
        if (str_starts_with($path, '/api/evenings')) {
            $evening = self::service(Evening::class);
            $evening->open($this->assignment);
            $query = (string) strstr($evening->link($this->assignment)['code'] ?? '', '?');
        }

        return strtr($path, [
            '{id}' => $id,
            '{film}' => $made['handIn'],
            '{asset}' => $made['picture'],
            '{slide}' => 's',
            '{guest}' => (string) $this->people['gil']->id,
            '{teacher}' => (string) $this->people['hugo']->id,
            '{reviewer}' => (string) $this->people['sue']->id,
            '{criterion}' => 'story',
            '{person}' => (string) $this->people['sue']->id,
            '{maker}' => (string) $this->people['sue']->id,
            '{student}' => (string) $this->people['sue']->id,
            '{name}' => 'full.jpg',
            '{name}.svg' => 'bird.svg',
            '{shape}/{kind}/{way}/{strength}/{depth}-{seed}.svg' => '16:9/snow/down/some/near-7.svg',
            '{number}' => '0',
            '{remark}' => $made['remark'],
            '{hash}' => $made['words'],
            '{container}' => 'mp4',
            '{format}' => 'srt',
        ]) . $query;
    }

    private function platform(): string
    {
        $platform = new Platform($this->school, 'A platform');
        $this->entities()->persist($platform);
        $this->entities()->flush();

        return (string) $platform->id;
    }

    /** @return array{story: string, picture: string, music: string, take: string, film: string, handIn: string, remark: string, words: string} all of it Sam's */
    private function made(): array
    {
        $entities = $this->entities();
        $record = new StoryRecord($this->people['sam'], new Story('Mine'), $this->assignment);
        $id = (string) Uuid::v7();
        $music = (string) Uuid::v7();
        $record->write(new Story('Mine', [Slide::showing('s', $id)->withLayer(new WordsLayer('caption', WordsRole::Caption, 'A fact'))], [
            $id => new Picture($id, 'p.jpg', 100, 100), $music => new Music($music, 'm.mp3', 48_000, -20.0, -18.0, -3.0),
        ]));
        $take = new AssetRecord($this->people['sam'], $record->id, Arriving::Voice, 't.webm', 's');
        $take->state = AssetState::Ready;
        $film = new FilmRecord($record);
        $film->state = FilmState::Done;
        $film->problems = [];
        $film->seconds = 9;
        $handIn = new HandIn($this->assignment, $this->people['sam'], $record, $film, 1);
        $this->assignment->screening = [(string) $handIn->id];
        $remark = new Remark($handIn, $this->people['tara'], 0, 's', 'Look', null, $take, 1.0);
        $guest = new Guest($this->people['gil'], $handIn);
        $handIn->guests->add($guest);
        $peer = new PeerAnswer($handIn, $this->people['sue']);
        $handIn->peers->add($peer);
        foreach ([$record, $take, $film, $handIn, $remark, $guest, $peer] as $one) {
            $entities->persist($one);
        }
        $entities->flush();

        // What is measured of a picture is measured on its small copy.
        foreach ([$film->video(), $film->captions()] as $key) {
            self::service(Store::class)->write($key, 'played');
        }
        self::service(Store::class)->write(
            AssetFiles::picture($id, PreparedPicture::THUMB),
            self::$drawn ??= (string) file_get_contents(self::newPicture()),
        );
        $plan = self::service(PlanMaker::class)->plan($record->story());
        self::service(Drawings::class)->keep($record, $plan);

        return [
            'story' => (string) $record->id,
            'picture' => $id,
            'music' => $music,
            'take' => (string) $take->id,
            'film' => (string) $film->id,
            'handIn' => (string) $handIn->id,
            'remark' => (string) $remark->id,
            'words' => $plan->scenes[0]->words()[0]->hash(),
        ];
    }
}
