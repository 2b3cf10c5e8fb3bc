<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Account\User;
use Rhapsode\App\Shared\Csv;
use Rhapsode\Core\Message\Message;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** What became of an assignment, as a table that other programs read: a row for each film, and for each student without one. */
final readonly class ClassTable
{
    private const COLUMNS = ['table.student', 'table.title', 'table.state', 'table.late', 'table.points', 'table.most', 'table.handed-in', 'table.answered'];

    /**
     * @param list<User>   $students of the class
     * @param list<HandIn> $handIns  the newest of each story
     */
    public static function csv(array $students, array $handIns, string $language): string
    {
        $catalogue = new IcuCatalogue();
        $say = static fn(string $code): string => $catalogue->say(new Message($code), $language);
        $rows = [array_map($say, self::COLUMNS)];
        $known = array_map(static fn(User $one): string => (string) $one->id, $students);
        foreach ($handIns as $one) {
            // Who has left the class since is in it with what they handed in.
            foreach ($one->story->makers() as $maker) {
                if (!\in_array((string) $maker->id, $known, true)) {
                    $students[] = $maker;
                    $known[] = (string) $maker->id;
                }
            }
        }
        foreach ($students as $student) {
            $theirs = array_filter($handIns, static fn(HandIn $one): bool => $one->isMadeBy($student));
            foreach ($theirs as $one) {
                $marks = $one->marks();
                $rows[] = [
                    $student->firstName, $one->film->title, $say(self::state($one)), $one->isLate() ? $say('hand-in.late') : '',
                    (string) $marks?->given(), (string) $marks?->rubric->most(),
                    self::time($one, $one->handedInAt), self::time($one, $one->answeredAt),
                ];
            }
            if ([] === $theirs) {
                $rows[] = [$student->firstName, '', $say('table.nothing'), '', '', '', '', ''];
            }
        }

        return Csv::write($rows);
    }

    private static function state(HandIn $handIn): string
    {
        return 'state.' . str_replace(' ', '-', $handIn->state->value);
    }

    /** By the clock of the school (ISO 8601), as a table's program reads it. */
    private static function time(HandIn $handIn, ?\DateTimeImmutable $at): string
    {
        $zone = new \DateTimeZone($handIn->assignment->classroom->school->zone);

        return (string) $at?->setTimezone($zone)->format('Y-m-d H:i');
    }
}
