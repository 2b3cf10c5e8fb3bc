<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Lti\Scores;
use Rhapsode\App\Lti\SendScore;
use Rhapsode\App\Lti\WireFailed;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Story\Story;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;
use Symfony\Component\Messenger\Transport\TransportInterface;

/** What a platform gives and takes beside a launch: deep links, the course's people, scores (LTI Advantage). */
final class LtiServicesTest extends LtiTestCase
{
    public function testATeacherChoosesWhatALinkLeadsTo(): void
    {
        [, $assignment] = $this->opened();
        $ticket = $this->ticket(['user' => 't-1', 'role' => 'teacher', 'message' => 'deep']);
        self::assertSame('task', $this->arrive($ticket)['step']);
        $this->arrive($ticket, ['task' => (string) $this->assignment->id], 404);
        self::assertSame('back', $this->arrive($ticket, ['task' => $assignment])['step']);
        $this->client->request('POST', '/api/lti/back', ['ticket' => $ticket], server: ['HTTP_X_RHAPSODE' => '1']);
        $page = $this->client->getResponse();
        self::assertSame(200, $page->getStatusCode());
        self::assertStringContainsString('form-action ' . self::HERE, (string) $page->headers->get('Content-Security-Policy'));
        self::assertSame(1, preg_match('/action="([^"]+)".*name="JWT" value="([^"]+)"/', (string) $page->getContent(), $form));
        self::assertSame(self::HERE . '/back', $form[1]);
        [$status, , $said] = $this->platform->answer('POST', '/back', [], ['JWT' => $form[2]], '', '');
        self::assertSame(200, $status, $said);
        $told = $this->platform->told();
        self::assertSame($assignment, self::at(['told' => end($told)], 'told', 1, 0, 'custom', 'assignment'));

        // What another kind of launch does not tell is not forgotten by it.
        $class = $this->entities()->find(Assignment::class, $assignment)?->classroom->id;
        self::assertSame('Our courses', $this->told('GET', "/api/classes/{$class}/platform")['platform']);

        // A student who follows it is at that assignment.
        $in = $this->arrive($this->ticket(['user' => 'u-9', 'link' => '9', 'assignment' => $assignment]), ['who' => 'new']);
        self::assertSame(['in', $assignment], [$in['step'], $in['assignment']]);
        // One of another class it does not open.
        $in = $this->arrive($this->ticket(['user' => 'u-9', 'link' => '10', 'assignment' => (string) $this->assignment->id]));
        self::assertSame(['in', null], [$in['step'], $in['assignment']]);
    }

    public function testTheCoursesStudentsComeInAtOnce(): void
    {
        [$class] = $this->opened();
        self::assertSame('Our courses', $this->told('GET', "/api/classes/{$class}/platform")['platform']);
        self::assertSame(3, $this->told('POST', "/api/classes/{$class}/platform")['came']);
        self::assertSame(0, $this->told('POST', "/api/classes/{$class}/platform")['came'], 'twice is once');
        $names = array_column((array) $this->told('GET', "/api/classes/{$class}")['students'], 'firstName');
        self::assertCount(3, $names);
        self::assertContains('Ilse', $names);
        // Whom the platform told of is who comes.
        self::assertSame(['in', 'Ilse'], array_values(array_intersect_key($this->arrive($this->ticket(['user' => 'u-1'])), ['step' => 1, 'name' => 1])));
        self::assertSame('lti.no-names', $this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/platform", null, 409)['code']);
    }

    /** Accepted, it is told; where the platform is away it is told later. */
    public function testAnAcceptedFilmsScoreGoesBack(): void
    {
        [, $assignment] = $this->opened();
        $this->arrive($this->ticket(['user' => 'u-1', 'name' => 'Ilse']), ['who' => 'new']);
        $student = $this->entities()->getRepository(User::class)->findOneBy(['firstName' => 'Ilse', 'role' => Role::Student]);
        self::assertNotNull($student);
        $task = $this->entities()->find(Assignment::class, $assignment);
        self::assertNotNull($task);
        $story = new StoryRecord($student, new Story('Mine'), $task);
        $film = new FilmRecord($story);
        $film->state = FilmState::Done;
        $film->problems = [];
        $handIn = new HandIn($task, $student, $story, $film, 1);
        foreach ([$story, $film, $handIn] as $one) {
            $this->entities()->persist($one);
        }
        $this->entities()->flush();
        $id = (string) $handIn->id;
        $this->arrive($this->ticket(['user' => 't-1', 'role' => 'teacher']));
        $this->told('POST', "/api/handins/{$id}/answer", ['state' => 'accepted', 'answer' => 'A calm voice.']);

        $queue = self::getContainer()->get('messenger.transport.scores');
        self::assertInstanceOf(TransportInterface::class, $queue);
        [$envelope] = [...$queue->get()];
        $message = $envelope->getMessage();
        self::assertInstanceOf(SendScore::class, $message);
        self::assertSame('u-1', $message->subject);
        $this->platform->beAway(true);
        try {
            self::service(Scores::class)($message);
            self::fail('it is away');
        } catch (WireFailed $failed) {
            self::assertSame(503, $failed->getCode());
        }
        $this->platform->beAway(false);
        self::service(Scores::class)($message);
        // Sent twice, as by a worker that ended before it could say so, it is the same.
        self::service(Scores::class)($message);
        // Told no more, it is said to who looks after the platform; told again, it is not.
        self::service(Scores::class)->failed(new WorkerMessageFailedEvent($envelope, 'scores', new WireFailed('It is away.')));
        $failedAt = fn(): mixed => self::at($this->as('ada')->told('GET', '/api/school/platforms'), 'platforms', 0, 'scoreFailedAt');
        self::assertIsString($failedAt());
        self::service(Scores::class)($message);
        self::assertNull($failedAt());
        $scores = array_values(array_filter($this->platform->told(), static fn(mixed $one): bool => \is_array($one) && 'score' === $one[0]));
        self::assertCount(3, $scores);
        $score = (array) self::at(['score' => $scores[0]], 'score', 1);
        self::assertSame(['/items/1/scores', 'u-1', 'FullyGraded', 1, 'A calm voice.'], [$score['path'], $score['userId'], $score['gradingProgress'], $score['scoreGiven'], $score['comment']]);
    }
}
