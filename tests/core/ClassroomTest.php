<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rhapsode\Core\Classroom\CardKind;
use Rhapsode\Core\Classroom\EasyPictures;
use Rhapsode\Core\Classroom\EasyWords;
use Rhapsode\Core\Classroom\FirstName;
use Rhapsode\Core\Classroom\JoinCode;
use Rhapsode\Core\Classroom\NameList;
use Rhapsode\Core\Classroom\Secret;
use Rhapsode\Core\Document\Limits;

/** What a class's people are called, and the secrets of those who have no e-mail. */
final class ClassroomTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> a list as somebody pastes it, and who is in it */
    public static function lists(): iterable
    {
        yield 'one to a line' => ["Alma\nBo\n  Cyra  \n\n", ['Alma', 'Bo', 'Cyra']];
        yield 'all in one line' => ['Alma, Bo; Cyra,', ['Alma', 'Bo', 'Cyra']];
        yield 'numbered, with marks' => ["1. Alma\n2) Bo\n - Cyra\n• Dov\n13 Eno", ['Alma', 'Bo', 'Cyra', 'Dov', 'Eno']];
        yield 'with family names behind' => ["Alma Wend\nBo Mill", ['Alma', 'Bo']];
        yield 'with family names before' => ["Wend, Alma\nMill, Bo Arne", ['Alma', 'Bo']];
        yield 'out of a table' => ["Wend\tAlma\t4b\nMill\tBo\t4b", ['Alma', 'Bo']];
        yield 'two of one name, told apart by the next letter' => ["Alma Wend\nBo\nAlma Kay", ['Alma W.', 'Bo', 'Alma K.']];
        yield 'two of one name and letter' => ["Alma Wend\nAlma Wick", ['Alma W.', 'Alma']];
        yield 'three of one name and nothing else' => ["Alma\nalma\nALMA", ['Alma', 'alma 2', 'ALMA 3']];
        yield 'in other scripts' => ["Зоя\n李\nÉlodie\nيوسف", ['Зоя', '李', 'Élodie', 'يوسف']];
        yield 'hyphens and apostrophes stay' => ["Anna-Lena\nD'Arcy", ['Anna-Lena', "D'Arcy"]];
        yield 'windows lines, a mark of byte order, a mark that turns text' => ["Al\u{202E}ma\r\nBo\r\n", ['Alma', 'Bo']];
        yield 'a table with named columns' => ["Nr;Last name;First name;E-mail\n1;Wend;Alma;a@example.org\n2;Mill;Bo Arne;b@example.org\n3;;Alma;", ['Alma W.', 'Bo', 'Alma']];
        yield 'a table in another order and language' => ["Vorname,Klasse,Nachname\nAlma,4b,Wend\n\"Bo, der Kleine\",4b,Mill\n,4b,Nobody", ['Alma', 'Bo']];
        yield 'a table of tabs with first names alone' => ["Class\tGiven name\n4b\tAlma\n4b\tZoë", ['Alma', 'Zoë']];
        yield 'nobody' => [" \n 12 \n--\n", []];
    }

    /** @param list<string> $names */
    #[DataProvider('lists')]
    public function testAListIsReadAsItLies(string $list, array $names): void
    {
        self::assertSame($names, FirstName::apart(NameList::read($list)));
    }

    public function testWhoComesLaterIsToldApartFromWhoIsThere(): void
    {
        self::assertSame(['Zoë 2', 'Zoe B.', 'Max'], FirstName::apart(NameList::read("Zoë\nZoe Berg\nMax"), ['zoe', 'Maxi']));
        self::assertSame(['Alma R.', 'Alma'], FirstName::apart(NameList::read("Alma Reed\nAlma"), ['Alma K.', 'Alma W.']));
    }

    /** Any list of any names: each gets one of its own, none longer than there is room for. */
    public function testEachHasANameOfTheirOwn(): void
    {
        $chance = new Randomizer(new Mt19937(7));
        for ($round = 0; $round < 200; ++$round) {
            $list = '';
            for ($i = $chance->getInt(1, 60); $i > 0; --$i) {
                $list .= ['Ada', 'ADA', 'Ádá', 'Bo', 'Bo 2', 'Bo B.', str_repeat('Long', 30)][$chance->getInt(0, 6)]
                    . ['', ' Berg', ' Bach', ' 2'][$chance->getInt(0, 3)] . "\n";
            }
            $names = FirstName::apart(NameList::read($list), ['Ada', 'Bo 3']);
            $keys = array_map(FirstName::key(...), [...$names, 'Ada', 'Bo 3']);
            self::assertSame(array_unique($keys), $keys, $list);
            self::assertCount(substr_count($list, "\n"), $names);
            self::assertLessThanOrEqual(Limits::FIRST_NAME, max(0, ...array_map(mb_strlen(...), $names)));
        }
    }

    public function testASecretIsThreeWordsThatAreMeantHoweverTheyAreTyped(): void
    {
        $secret = Secret::ofOne(new Randomizer(new Mt19937(3)));
        self::assertMatchesRegularExpression('/^[a-z]{2,8} [a-z]{2,8} [a-z]{2,8}$/', $secret);
        foreach (['-', '  ', ', ', '. ', "\u{a0}", "\n"] as $between) {
            self::assertSame($secret, Secret::meant(' ' . strtoupper(str_replace(' ', $between, $secret)) . ' '));
        }
        self::assertNotSame($secret, Secret::meant(str_replace(' ', '', $secret)));
        self::assertSame('', Secret::meant(' 12 3 '));
        self::assertMatchesRegularExpression('/^[a-z]{2,8} [a-z]{2,8}$/', Secret::ofClass(new Randomizer(new Mt19937(3))));
    }

    public function testSecretsAreMadeOfAllWordsAlikeAndNeverOfOneTwice(): void
    {
        $chance = new Randomizer(new Mt19937(11));
        $seen = [];
        for ($i = 0; $i < 3000; ++$i) {
            $words = explode(' ', Secret::ofOne($chance));
            self::assertCount(3, array_unique($words));
            foreach ($words as $word) {
                $seen[$word] = ($seen[$word] ?? 0) + 1;
            }
        }
        self::assertCount(\count(EasyWords::all()), $seen);
        // 9000 words drawn: each some 21 times, and none as often as six deviations more.
        self::assertLessThan(50, max($seen));
    }

    public function testThreePicturesInARowAreASecretToo(): void
    {
        $chance = new Randomizer(new Mt19937(12));
        $seen = [];
        for ($i = 0; $i < 400; ++$i) {
            $secret = Secret::ofOne($chance, CardKind::Pictures);
            self::assertSame($secret, Secret::meant($secret));
            $pictures = explode(' ', $secret);
            self::assertCount(3, array_unique($pictures));
            $seen = array_unique([...$seen, ...$pictures]);
        }
        self::assertEqualsCanonicalizing(EasyPictures::all(), $seen);
        self::assertGreaterThan(12_000, \count($seen) * (\count($seen) - 1) * (\count($seen) - 2));
    }

    public function testACodeOnTheBoardIsReadAsItIsMeant(): void
    {
        $chance = new Randomizer(new Mt19937(5));
        $seen = '';
        for ($i = 0; $i < 500; ++$i) {
            $code = JoinCode::make($chance);
            self::assertMatchesRegularExpression('/^[A-Z0-9]{6}$/', $code);
            self::assertDoesNotMatchRegularExpression('/[0O1IL2Z5S8BUV]/', $code, 'signs that are taken for others');
            self::assertSame($code, JoinCode::meant(' ' . strtolower(substr($code, 0, 3) . '-' . substr($code, 3)) . '. '));
            $seen .= $code;
        }
        self::assertGreaterThan(20, \count(count_chars($seen, 1)));
        self::assertSame('', JoinCode::meant('…'));
    }

    public function testNoWordIsTakenForAnother(): void
    {
        $words = EasyWords::all();
        self::assertGreaterThan(400, \count($words));
        foreach ($words as $i => $word) {
            self::assertMatchesRegularExpression('/^[a-z]{2,8}$/', $word);
            foreach (\array_slice($words, $i + 1) as $other) {
                self::assertGreaterThan(1, levenshtein($word, $other), "{$word} and {$other}");
            }
        }
    }
}
