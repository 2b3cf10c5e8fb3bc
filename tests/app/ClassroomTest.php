<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Enrolment;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\Core\Classroom\EasyPictures;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;

/** A class of one's own, and how its children come in. */
final class ClassroomTest extends AppTestCase
{
    /** @return array{id: string, word: string, cards: list<array{student: string, name: string, words: string, code: string}>} a class of Tara's own */
    private function begun(string $list = "Alma Wend\nBo\nAlma Kay"): array
    {
        $class = Fields::of($this->as('tara')->told('POST', '/api/classes', ['name' => '  4 b '], 201));
        self::assertSame('4 b', $class->text('name'));
        $id = $class->id('id');
        $added = Fields::of($this->told('POST', "/api/classes/{$id}/students", ['list' => $list], 201));

        return ['id' => $id, 'word' => $class->text('word'), 'cards' => array_map(self::card(...), $added->objects('cards'))];
    }

    /** @return array{student: string, name: string, words: string, code: string} */
    private static function card(Fields $told): array
    {
        return ['student' => $told->id('student'), 'name' => $told->text('name'), 'words' => $told->text('words'), 'code' => $told->text('code')];
    }

    /**
     * @param array<string, mixed> $class
     *
     * @return list<string>
     */
    private static function names(array $class): array
    {
        return array_map(static fn(Fields $one): string => $one->text('firstName'), Fields::of($class)->objects('students'));
    }

    /** @return array<string, string|null> by their names when they were seen last */
    private function seen(string $class): array
    {
        $seen = [];
        foreach (Fields::of($this->as('tara')->told('GET', "/api/classes/{$class}"))->objects('students') as $one) {
            $seen[$one->text('firstName')] = $one->textOrNull('seenAt');
        }

        return $seen;
    }

    public function testATeacherMakesAClassAndItsChildrenComeInByTheirWords(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => $cards] = $this->begun();
        self::assertSame(['Alma W.', 'Bo', 'Alma K.'], array_column($cards, 'name'));
        self::assertSame(['Alma K.' => null, 'Alma W.' => null, 'Bo' => null], $this->seen($id));
        foreach ($cards as ['name' => $name, 'words' => $words]) {
            self::assertMatchesRegularExpression('/^[a-z]+ [a-z]+ [a-z]+$/', $words);
            $child = $this->as(null)->told('POST', '/api/session/class', [
                'class' => strtoupper(str_replace(' ', '-', $word)), 'name' => mb_strtolower($name), 'words' => ' ' . ucwords($words) . '.',
            ]);
            self::assertSame([$name, 'student'], [$child['firstName'], $child['role']]);
            self::assertSame($child, $this->told('GET', '/api/session'));
            $this->told('GET', '/api/desk');
        }
        self::assertNotContains(null, $this->seen($id));
    }

    public function testACardOpensUntilThereIsANewOne(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => [$first, $second]] = $this->begun();
        self::assertSame('Alma W.', $this->as(null)->told('POST', '/api/session/card', ['code' => $first['code']])['firstName']);
        $new = $this->as('tara')->told('POST', "/api/classes/{$id}/cards", ['students' => [$first['student']]], 201);
        $new = array_map(static fn(mixed $one): array => self::card(Fields::of($one)), array_values($new));
        self::assertCount(1, $new);
        self::assertSame('account.wrong-card', $this->as(null)->told('POST', '/api/session/card', ['code' => $first['code']], 401)['code']);
        self::assertSame('account.wrong-words', $this->told('POST', '/api/session/class', ['class' => $word, 'name' => 'Alma W', 'words' => $first['words']], 401)['code']);
        self::assertSame('Alma W.', $this->told('POST', '/api/session/card', ['code' => $new[0]['code']])['firstName']);
        // The others' stay.
        self::assertSame('Bo', $this->as(null)->told('POST', '/api/session/card', ['code' => $second['code']])['firstName']);
    }

    /** The young ones press three pictures; the cards that are out stay as they are. */
    public function testCardsMayHavePictures(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => [$old]] = $this->begun();
        self::assertSame('pictures', $this->told('PUT', "/api/classes/{$id}/cards", ['kind' => 'pictures'])['cards']);
        $this->told('PUT', "/api/classes/{$id}/cards", ['kind' => 'songs'], 422);
        $added = Fields::of($this->told('POST', "/api/classes/{$id}/students", ['list' => 'Pia'], 201))->objects('cards')[0];
        self::assertSame('pictures', $added->text('kind'));
        self::assertSame([], array_diff(explode(' ', $added->text('words')), EasyPictures::all()));
        $child = $this->as(null)->told('POST', '/api/session/class', ['class' => $word, 'name' => 'Pia', 'words' => $added->text('words')]);
        self::assertSame('Pia', $child['firstName']);
        $other = implode(' ', array_reverse(explode(' ', $added->text('words'))));
        $this->as(null)->told('POST', '/api/session/class', ['class' => $word, 'name' => 'Pia', 'words' => $other], 401);
        self::assertSame('Alma W.', $this->told('POST', '/api/session/class', ['class' => $word, 'name' => $old['name'], 'words' => $old['words']])['firstName']);
        $next = $this->as('tara')->told('POST', "/api/classes/{$id}/next", ['name' => '5 b'], 201);
        self::assertSame('pictures', $next['cards']);
    }

    /** Who has a name and password of their own has a card besides. */
    public function testACardDoesNotTakeAPasswordAway(): void
    {
        $path = "/api/classes/{$this->classroom->id}/cards";
        $card = self::card(Fields::of(array_values($this->as('tara')->told('POST', $path, ['students' => [(string) $this->people['sam']->id]], 201))[0]));
        $this->as(null)->told('POST', '/api/session/class', ['class' => 'otter mill', 'name' => 'sam', 'words' => $card['words']]);
        $this->as(null)->told('POST', '/api/session/class', ['class' => 'otter mill', 'name' => 'sam', 'words' => 'a password'], 401);
        $this->told('POST', '/api/session/class', ['class' => 'otter mill', 'name' => 'sue', 'words' => 'a password'], 401);
        $this->told('POST', '/api/session/begin', ['name' => 'sam', 'password' => 'a password']);
    }

    /** Who lost a card may have it in other hands: who is in with it is out at once. */
    public function testWithANewCardWhoeverIsInWithTheOldOneIsOut(): void
    {
        ['id' => $id, 'cards' => [$card]] = $this->begun();
        $this->as(null)->told('POST', '/api/session/card', ['code' => $card['code']]);
        $in = $this->client->getCookieJar()->all();
        $this->as('tara')->told('POST', "/api/classes/{$id}/cards", ['students' => [$card['student']]], 201);
        $this->as(null);
        foreach ($in as $cookie) {
            $this->client->getCookieJar()->set($cookie);
        }
        self::assertSame('null', $this->ask('GET', '/api/session')->getContent());
    }

    public function testNothingThatAChildComesInWithIsKept(): void
    {
        ['cards' => [$card]] = $this->begun();
        $child = $this->entities()->find(User::class, $card['student']);
        self::assertNotNull($child);
        $kept = json_encode($this->entities()->getConnection()->fetchAllAssociative('SELECT * FROM person'), \JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString($card['words'], $kept);
        self::assertStringNotContainsString($card['code'], $kept);
        self::assertNull($child->name, 'nor is there a name for the other door');
        $this->as(null)->told('POST', '/api/session/begin', ['name' => (string) $child->id, 'password' => $card['words']], 401);
        $this->told('POST', '/api/session/begin', ['name' => 'Alma W.', 'password' => $card['words']], 401);
    }

    public function testWhatIsTypedWrongIsRefusedAlike(): void
    {
        ['word' => $word, 'cards' => [$card, $other]] = $this->begun();
        $this->as(null);
        foreach ([
            ['class' => $word, 'name' => 'Alma W', 'words' => $other['words']],
            ['class' => $word, 'name' => 'Nobody', 'words' => $card['words']],
            ['class' => 'otter mill', 'name' => 'Alma W', 'words' => $card['words']],
            ['class' => $word, 'name' => '', 'words' => $card['words']],
            ['class' => $word, 'name' => '...', 'words' => $card['words']],
            ['class' => $word, 'name' => 'Alma W'],
            ['class' => ['x'], 'name' => 'Alma W', 'words' => $card['words']],
            ['class' => str_repeat('x', 5000), 'name' => 'Alma W', 'words' => $card['words']],
        ] as $typed) {
            self::assertSame('account.wrong-words', $this->told('POST', '/api/session/class', $typed, 401)['code']);
        }
        foreach ([['code' => ''], ['code' => null], [], ['code' => $card['words']]] as $typed) {
            self::assertSame('account.wrong-card', $this->told('POST', '/api/session/card', $typed, 401)['code']);
        }
        $this->told('POST', '/api/session/class', 'no JSON', 401);
        $this->told('POST', '/api/session/card', 'no JSON', 401);
        self::assertSame('null', $this->ask('GET', '/api/session')->getContent());
    }

    /** For one child guessing is slowed down soon, for the class behind the same address it is not. */
    public function testGuessingOneChildsWordsDoesNotKeepTheClassOut(): void
    {
        ['word' => $word, 'cards' => [$first, $second]] = $this->begun();
        $this->as(null);
        for ($i = 0; $i < 6; ++$i) {
            $this->told('POST', '/api/session/class', ['class' => $word, 'name' => 'ALMA-W', 'words' => "otter lamp {$i}"], 401);
        }
        $this->told('POST', '/api/session/class', ['class' => $word, 'name' => 'alma w.', 'words' => $first['words']], 429);
        for ($i = 0; $i < 40; ++$i) {
            $this->told('POST', '/api/session/class', ['class' => $word, 'name' => "Somebody {$i}", 'words' => 'otter lamp gate'], 401);
        }
        for ($i = 0; $i < 20; ++$i) {
            $this->told('POST', '/api/session/card', ['code' => "lost {$i}"], 401);
        }
        $this->told('POST', '/api/session/class', ['class' => $word, 'name' => 'Bo', 'words' => $second['words']]);
        $this->as(null)->told('POST', '/api/session/card', ['code' => $first['code']]);
    }

    public function testWhoIsTakenOutComesInNoLongerAndCanBePutBack(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => [$card]] = $this->begun();
        $path = "/api/classes/{$id}/students/{$card['student']}";
        $in = ['class' => $word, 'name' => 'Alma W.', 'words' => $card['words']];
        foreach ([1, 2] as $_) {
            self::assertSame(['Alma K.', 'Bo'], self::names($this->as('tara')->told('DELETE', $path)));
        }
        $this->as(null)->told('POST', '/api/session/class', $in, 401);
        $this->as('tara')->told('PATCH', $path, ['name' => 'Alba'], 404);
        foreach ([1, 2] as $_) {
            self::assertSame(['Alma K.', 'Alma W.', 'Bo'], self::names($this->told('PUT', $path)));
        }
        $this->as(null)->told('POST', '/api/session/class', $in);
        // Somebody else is called that by now.
        $this->as('tara')->told('DELETE', $path);
        $this->told('POST', "/api/classes/{$id}/students", ['list' => 'Alma W.'], 201);
        $added = $this->told('GET', "/api/classes/{$id}");
        self::assertContains('Alma W.', self::names($added));
        self::assertNotSame($card['student'], $this->called($added, 'Alma W.'));
        self::assertSame('class.name-taken', $this->told('PUT', $path, null, 409)['code']);
    }

    public function testAStudentIsCalledWhatTheTeacherSays(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => [$card, $bo]] = $this->begun();
        $path = "/api/classes/{$id}/students/{$card['student']}";
        self::assertContains('Alva', self::names($this->told('PATCH', $path, ['name' => ' Alva '])));
        $this->as(null)->told('POST', '/api/session/class', ['class' => $word, 'name' => 'Alma W.', 'words' => $card['words']], 401);
        $this->told('POST', '/api/session/class', ['class' => $word, 'name' => 'álva', 'words' => $card['words']]);
        // Their own name again, written otherwise, is nobody else's.
        $this->as('tara')->told('PATCH', $path, ['name' => 'ALVA']);
        $refused = $this->told('PATCH', "/api/classes/{$id}/students/{$bo['student']}", ['name' => 'alva'], 409);
        self::assertSame(['class.name-taken', ['name' => 'ALVA']], [$refused['code'], $refused['parameters']]);
        foreach (['', '  ', '...', str_repeat('x', Limits::FIRST_NAME + 1)] as $none) {
            $this->told('PATCH', $path, ['name' => $none], 422);
        }
    }

    /** In a second class the same child is called the same, or nobody is. */
    public function testAStudentIsCalledTheSameInEveryClass(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => [$card]] = $this->begun();
        $second = "INSERT INTO membership (student_id, classroom_id, name_key) VALUES (?, ?, 'almaw')";
        $this->entities()->getConnection()->executeStatement($second, [$card['student'], (string) $this->classroom->id]);
        $path = "/api/classes/{$id}/students/{$card['student']}";
        self::assertSame('class.name-taken', $this->told('PATCH', $path, ['name' => 'Sue'], 409)['code']);
        self::assertSame(['Alma K.', 'Alma W.', 'Bo'], self::names($this->told('GET', "/api/classes/{$id}")));
        $this->told('PATCH', $path, ['name' => 'Alva']);
        foreach ([$word, 'otter mill'] as $class) {
            $this->as(null)->told('POST', '/api/session/class', ['class' => $class, 'name' => 'Alva', 'words' => $card['words']]);
        }
    }

    /** Another archived it after this request had read it: what counts is what the class is by then. */
    public function testAClassThatAnotherMovedUpMeanwhileIsNotMovedUpAgain(): void
    {
        ['id' => $id] = $this->begun();
        $classroom = $this->entities()->find(Classroom::class, $id);
        self::assertNotNull($classroom);
        $this->entities()->getConnection()->executeStatement('UPDATE classroom SET archived_at = now() WHERE id = ?', [$id]);
        self::assertNull($classroom->archivedAt);
        $this->expectExceptionObject(new Refused('class.moved-up'));
        self::service(Enrolment::class)->moveUp($classroom, '5 b');
    }

    public function testAListIsRefusedWhole(): void
    {
        ['id' => $id] = $this->begun();
        self::assertSame('class.nobody-in-list', $this->told('POST', "/api/classes/{$id}/students", ['list' => " \n-- \n"], 422)['code']);
        $many = implode("\n", array_map(static fn(int $i): string => 'Name' . $i, range(1, Limits::STUDENTS - 2)));
        $refused = $this->told('POST', "/api/classes/{$id}/students", ['list' => $many], 422);
        self::assertSame(['most' => Limits::STUDENTS, 'there' => 3, 'more' => Limits::STUDENTS - 2], $refused['parameters']);
        self::assertCount(3, self::names($this->told('GET', "/api/classes/{$id}")));
        foreach (['', '   ', str_repeat('n', Limits::CLASSROOM + 1)] as $name) {
            $this->told('POST', '/api/classes', ['name' => $name], 422);
        }
    }

    /** A teacher of the class sees only what was asked for: cards are for those of the class. */
    public function testCardsAreForTheClassAlone(): void
    {
        ['id' => $id] = $this->begun();
        $ben = $this->entities()->getRepository(Membership::class)->findOneBy(['student' => $this->people['ben']]);
        self::assertNotNull($ben);
        $path = "/api/classes/{$id}/cards";
        self::assertSame([], $this->told('POST', $path, ['students' => [(string) $this->people['ben']->id, 'nonsense']], 201));
        $this->told('POST', $path, ['students' => []], 422);
        $this->told('POST', $path, ['students' => [3]], 422);
        foreach (['PUT', 'DELETE'] as $method) {
            $this->told($method, "/api/classes/{$id}/students/{$this->people['ben']->id}", null, 404);
        }
        $this->told('PATCH', "/api/classes/{$id}/students/{$this->people['ben']->id}", ['name' => 'Mine'], 404);
        self::assertSame('Ben', $this->people['ben']->firstName);
    }

    public function testAClassWhoseYearIsOverStaysAsItWas(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => [$card]] = $this->begun();
        $in = ['class' => $word, 'name' => 'Alma W.', 'words' => $card['words']];
        $code = Fields::of($this->told('POST', "/api/classes/{$id}/code"))->text('joinCode');
        foreach ([1, 2] as $_) {
            $archived = $this->as('tara')->told('POST', "/api/classes/{$id}/archive");
            self::assertSame([false, true, null], [$archived['mayChange'], $archived['mayArchive'], $archived['joinCode']]);
        }
        $this->told('POST', "/api/classes/{$id}/students", ['list' => 'Late'], 404);
        $this->told('POST', "/api/classes/{$id}/cards", ['students' => [$card['student']]], 404);
        $desk = $this->told('GET', '/api/desk');
        self::assertSame([['id' => $id, 'name' => '4 b', 'goesOn' => null]], $desk['archived']);
        self::assertCount(1, Fields::of($desk)->objects('classrooms'));
        // Nobody comes in by it, and nobody joins it; a card is a child's own.
        $this->as(null)->told('POST', '/api/session/class', $in, 401);
        $this->told('POST', '/api/join', ['code' => $code, 'name' => 'Late'], 404);
        $this->told('POST', '/api/session/card', ['code' => $card['code']]);
        foreach ([1, 2] as $_) {
            self::assertTrue($this->as('tara')->told('DELETE', "/api/classes/{$id}/archive")['mayChange']);
        }
        $this->as(null)->told('POST', '/api/session/class', $in);
    }

    public function testWhatWasSetInAnArchivedClassIsReadAndHandedInNoMore(): void
    {
        $this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/archive");
        $path = "/api/assignments/{$this->assignment->id}";
        self::assertFalse($this->told('GET', $path)['maySet']);
        $this->told('PUT', "{$path}/letters", ['letters' => 60], 404);
        $this->as('sam')->told('POST', "{$path}/handins", ['film' => 'x'], 404);
        self::assertSame([], $this->told('GET', '/api/desk')['assignments']);
    }

    public function testAClassMovesUpWithItsStudentsAndTheirCards(): void
    {
        ['id' => $id, 'word' => $word, 'cards' => [$card, $bo]] = $this->begun();
        $this->told('DELETE', "/api/classes/{$id}/students/{$bo['student']}");
        $next = $this->told('POST', "/api/classes/{$id}/next", ['name' => '5 b'], 201);
        self::assertSame(['5 b', $word, ['Alma K.', 'Alma W.']], [$next['name'], $next['word'], self::names($next)]);
        $old = $this->told('GET', "/api/classes/{$id}");
        self::assertNotNull($old['archivedAt']);
        self::assertNotSame($word, $old['word']);
        self::assertCount(2, self::names($old));
        self::assertSame('Alma W.', $this->as(null)->told('POST', '/api/session/class', ['class' => $word, 'name' => 'Alma W.', 'words' => $card['words']])['firstName']);
        // Moved up twice it is once.
        self::assertSame('class.moved-up', $this->as('tara')->told('POST', "/api/classes/{$id}/next", ['name' => '5 b'], 409)['code']);
        $this->told('POST', "/api/classes/{$id}/next", ['name' => ' '], 422);
        self::assertSame(['5 b', 'Class A'], array_map(static fn(Fields $one): string => $one->text('name'), Fields::of($this->told('GET', '/api/desk'))->objects('classrooms')));
    }

    public function testAHelperSeesAndAnswersAndChangesNothing(): void
    {
        $seen = $this->as('hugo')->told('GET', "/api/classes/{$this->classroom->id}");
        self::assertFalse($seen['mayChange']);
        self::assertSame(['lead', 'helper'], array_map(static fn(Fields $one): string => $one->text('part'), Fields::of($seen)->objects('teachers')));
        $classes = Fields::of($this->told('GET', '/api/desk'))->objects('classrooms');
        self::assertSame(['Class A'], array_map(static fn(Fields $one): string => $one->text('name'), $classes));
        self::assertTrue($this->as('ada')->told('GET', "/api/classes/{$this->classroom->id}")['mayChange']);
    }

    /** @param array<string, mixed> $class */
    private function called(array $class, string $name): string
    {
        foreach (Fields::of($class)->objects('students') as $student) {
            if ($name === $student->text('firstName')) {
                return $student->id('id');
            }
        }
        self::fail("nobody is called {$name}");
    }

    /** Somebody leads it at any time; who teaches it no longer sees it no more. */
    public function testWhoTeachesItChanges(): void
    {
        $path = fn(string $who): string => "/api/classes/{$this->classroom->id}/teachers/{$this->people[$who]->id}";
        $parts = static fn(array $told): array => array_column(array_map(static fn(Fields $one): array => $one->all(), Fields::of($told)->objects('teachers')), 'part', 'firstName');
        self::assertSame('class.nobody-leads', $this->as('tara')->told('DELETE', $path('tara'), null, 409)['code']);
        self::assertSame('class.nobody-leads', $this->told('PUT', $path('tara'), ['part' => 'helper'], 409)['code']);
        foreach (['once', 'twice'] as $time) {
            self::assertEquals(['Tara' => 'lead', 'Hugo' => 'lead'], $parts($this->told('PUT', $path('hugo'), ['part' => 'lead'])), $time);
        }
        // Now she may go herself, and sees it no longer.
        self::assertSame(['Hugo' => 'lead'], $parts($this->told('DELETE', $path('tara'))));
        $this->told('GET', "/api/classes/{$this->classroom->id}", null, 404);
        $this->told('DELETE', $path('tara'), null, 404);
        self::assertSame(['Hugo' => 'lead'], $parts($this->as('hugo')->told('DELETE', $path('tara'))), 'twice is once');
        self::assertEquals(['Hugo' => 'lead', 'Tara' => 'helper'], $parts($this->told('PUT', $path('tara'), ['part' => 'helper'])));
        // Nobody of another school, and no student.
        foreach (['olga', 'sam'] as $stranger) {
            $this->told('PUT', $path($stranger), ['part' => 'lead'], 404);
        }
        $this->told('PUT', $path('tara'), ['part' => 'owner'], 422);
    }
}
