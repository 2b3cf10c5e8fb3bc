<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Classroom\Keeping;

/** How long a class's work is kept. Years are leap years as ISO 8601 counts them, in the Gregorian calendar. */
final class KeepingTest extends TestCase
{
    #[TestWith(['2026-07-31', 1, '2026-01-01', '2027-07-31'])]
    #[TestWith(['2026-07-31', 10, '2026-01-01', '2036-07-31'])]
    #[TestWith(['2024-02-29', 1, '2024-01-01', '2025-03-01'])]
    #[TestWith(['2024-02-29', 4, '2024-01-01', '2028-02-29'])]
    #[TestWith(['2096-02-29', 4, '2096-01-01', '2100-03-01'])]
    #[TestWith(['2396-02-29', 4, '2396-01-01', '2400-02-29'])]
    // What is old already when a school says so stays until the notice is over.
    #[TestWith(['2019-07-31', 2, '2026-12-30', '2026-12-30'])]
    #[TestWith(['2019-07-31', 9, '2026-12-30', '2028-07-31'])]
    public function testItGoesYearsLaterAndNotBeforeItWasSaid(string $archived, int $years, string $notBefore, string $goes): void
    {
        self::assertSame($goes, Keeping::goesOn($archived, $years, $notBefore));
    }

    public function testDaysAreThoseOfTheCalendar(): void
    {
        for ($day = new \DateTimeImmutable('2023-12-28'); $day < new \DateTimeImmutable('2025-01-04'); $day = $day->modify('+1 day')) {
            foreach ([1, 2, 4] as $years) {
                self::assertSame($day->modify("+{$years} years")->format('Y-m-d'), Keeping::goesOn($day->format('Y-m-d'), $years, ''));
            }
        }
    }
}
