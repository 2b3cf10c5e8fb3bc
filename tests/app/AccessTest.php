<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Remark;
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
    private const OWNER = ['sam'];
    private const WATCHERS = ['sam', 'tara'];
    private const TEACHER = ['tara'];
    private const EVERYBODY = [null, 'sam', 'sue', 'ben', 'tara', 'theo'];
    private const SIGNED_IN = ['sam', 'sue', 'ben', 'tara', 'theo'];

    /** @var array<string, list<string|null>> who is let through to the route's own work */
    private const MAY = [
        'GET /api/session' => self::EVERYBODY,
        'POST /api/session/begin' => self::EVERYBODY,
        'POST /api/session/end' => self::SIGNED_IN,
        'GET /api/health' => self::EVERYBODY,
        'POST /api/trouble' => self::EVERYBODY,
        'GET /api/desk' => self::SIGNED_IN,
        'GET /api/icons.json' => self::SIGNED_IN,
        'GET /api/icons/{name}.svg' => self::SIGNED_IN,
        'GET /api/drifts/{shape}/{kind}/{way}/{strength}/{depth}-{seed}.svg' => self::SIGNED_IN,
        'POST /api/stories' => self::SIGNED_IN,
        'GET /api/stories/{id}' => self::OWNER,
        'DELETE /api/stories/{id}' => self::OWNER,
        'POST /api/stories/{id}/restore' => self::OWNER,
        'POST /api/stories/{id}/edits' => self::OWNER,
        'POST /api/stories/{id}/slides' => self::OWNER,
        'POST /api/stories/{id}/undo' => self::OWNER,
        'POST /api/stories/{id}/redo' => self::OWNER,
        'GET /api/stories/{id}/styles.json' => self::OWNER,
        'GET /api/stories/{id}/words/{hash}.png' => self::OWNER,
        'GET /api/stories/{id}/assets' => self::OWNER,
        'POST /api/stories/{id}/assets' => self::OWNER,
        'GET /api/stories/{id}/assets/{asset}/{name}' => self::OWNER,
        'GET /api/stories/{id}/assets/{asset}/levels.json' => self::OWNER,
        'POST /api/stories/{id}/assets/{asset}/frames' => self::OWNER,
        'GET /api/stories/{id}/slides/{slide}/spoken.json' => self::OWNER,
        'GET /api/stories/{id}/rehearsal.json' => self::OWNER,
        'GET /api/assets/{id}' => self::OWNER,
        'DELETE /api/assets/{id}' => self::OWNER,
        'PUT /api/assets/{id}/parts/{number}' => self::OWNER,
        'POST /api/assets/{id}/finish' => self::OWNER,
        'POST /api/stories/{id}/films' => self::OWNER,
        'GET /api/films/{id}' => self::WATCHERS,
        'POST /api/films/{id}/cancel' => self::OWNER,
        'GET /api/films/{id}/film.{container}' => self::WATCHERS,
        'GET /api/films/{id}/captions.vtt' => self::WATCHERS,
        'GET /api/films/{id}/captions.{format}' => self::WATCHERS,
        'GET /api/assignments/{id}' => self::TEACHER,
        'PUT /api/assignments/{id}/style' => self::TEACHER,
        'PUT /api/assignments/{id}/letters' => self::TEACHER,
        'POST /api/assignments/{id}/handins' => ['sam', 'sue'],
        'GET /api/handins/{id}' => self::WATCHERS,
        'GET /api/handins/{id}/cover.jpg' => self::WATCHERS,
        'POST /api/handins/{id}/remarks' => self::TEACHER,
        'DELETE /api/handins/{id}/remarks/{remark}' => self::TEACHER,
        'POST /api/handins/{id}/answer' => self::TEACHER,
    ];

    /** @return iterable<string, array{string, string, string|null}> */
    public static function matrix(): iterable
    {
        foreach (Contract::operations() as [$method, $path]) {
            foreach (self::EVERYBODY as $who) {
                yield "{$method} {$path} by " . ($who ?? 'nobody') => [$method, $path, $who];
            }
        }
    }

    #[DataProvider('matrix')]
    public function testOnlyThoseWhoMayAreLetThrough(string $method, string $path, ?string $who): void
    {
        self::assertArrayHasKey("{$method} {$path}", self::MAY, 'every route says who may');
        $may = \in_array($who, self::MAY["{$method} {$path}"], true);
        $response = $this->as($who)->ask($method, $this->filled($path), 'GET' === $method ? null : '{}', ['If-Match' => '"1"']);
        $status = $response->getStatusCode();

        if ($may) {
            self::assertNotContains($status, [403, 404, 500], (string) $response->getContent());
            // Where nobody is signed in, a wrong password is refused too, but by the route itself.
            self::assertTrue(401 !== $status || str_contains(
                (string) $response->getContent(),
                'password',
            ) || 'POST /api/session/begin' === "{$method} {$path}");
        } else {
            self::assertSame(null === $who ? 401 : 404, $status, (string) $response->getContent());
            self::assertFalse($response->headers->has('X-Accel-Redirect'));
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
            str_starts_with($path, '/api/assignments') => (string) $this->assignment->id,
            str_starts_with($path, '/api/handins') => $made['handIn'],
            default => $made['story'],
        };

        return strtr($path, [
            '{id}' => $id,
            '{asset}' => $made['picture'],
            '{slide}' => 's',
            '{name}' => 'full.jpg',
            '{name}.svg' => 'bird.svg',
            '{shape}/{kind}/{way}/{strength}/{depth}-{seed}.svg' => '16:9/snow/down/some/near-7.svg',
            '{number}' => '0',
            '{remark}' => $made['remark'],
            '{hash}' => $made['words'],
            '{container}' => 'mp4',
            '{format}' => 'srt',
        ]);
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
        $film->seconds = 9;
        $handIn = new HandIn($this->assignment, $this->people['sam'], $record, $film, 1);
        $remark = new Remark($handIn, $this->people['tara'], 0, 's', 'Look');
        foreach ([$record, $take, $film, $handIn, $remark] as $one) {
            $entities->persist($one);
        }
        $entities->flush();

        // What is measured of a picture is measured on its small copy.
        self::service(Store::class)->write(
            AssetFiles::picture($id, PreparedPicture::THUMB),
            (string) file_get_contents(self::newPicture()),
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
