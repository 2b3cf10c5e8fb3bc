<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * The arrows of the design: src → studio → core, core knows nothing but PHP, and within each no circle between folders. PHPStan
 * runs these rules.
 */
final class ArrowsTest
{
    /** Each folder may use those of the lines above its own. */
    private const CORE = [
        ['Film', 'Memo', 'Message', 'Timing'],
        ['Document'],
        ['Geometry'],
        ['Pointing'],
        ['Asset', 'Classroom', 'HandIn', 'Rubric'],
        ['Lti'],
        ['Framing', 'Picture'],
        ['Words'],
        ['Layer'],
        ['Story'],
        ['Credits', 'Pacing'],
        ['Sound'],
        ['Edit'],
        ['Captions'],
        ['Plan'],
        ['Proof'],
    ];
    private const STUDIO = [['Icon', 'Messages', 'Tool'], ['Captions', 'Prepare', 'Words'], ['Render'], ['Folder', 'Mux', 'Sheet'], ['Cli']];
    private const APPLICATION = [['Shared'], ['Account'], ['Classroom'], ['Asset'], ['Story'], ['Film'], ['HandIn'], ['Demo', 'Desk', 'Forgetting', 'Lti', 'TakeHome']];

    public function testCoreKnowsNobody(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rhapsode\Core'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('Rhapsode\Core'),
                Selector::inNamespace('Psr'),
                Selector::classname(
                    '/^\\\\?(BackedEnum|UnitEnum|Closure|DomainException|JsonException|JsonSerializable|LogicException|stdClass|Collator|Locale|Normalizer|IntlBreakIterator|IntlPartsIterator|ResourceBundle|ReflectionClass|Random\\\\(Randomizer|Engine\\\\Mt19937)|Iterator|Traversable|Stringable|Throwable)$/',
                    true,
                ),
            )
            ->because('the rules of the job need no I/O, clock, framework or process');
    }

    public function testStudioKnowsNoApplication(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rhapsode\Studio'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Rhapsode\App'),
                Selector::inNamespace('Doctrine'),
                Selector::inNamespace('Symfony\Component\HttpFoundation'),
            )
            ->because('the engine runs without database and server');
    }

    /** @return iterable<Rule> */
    public function testNoCircleInCore(): iterable
    {
        yield from self::inOrder('Rhapsode\Core', self::CORE);
    }

    /** @return iterable<Rule> */
    public function testNoCircleInTheStudio(): iterable
    {
        yield from self::inOrder('Rhapsode\Studio', self::STUDIO);
    }

    /** @return iterable<Rule> */
    public function testNoCircleInTheApplication(): iterable
    {
        yield from self::inOrder('Rhapsode\App', self::APPLICATION);
    }

    /**
     * A new folder has to be given its line before any other may use it.
     *
     * @param non-empty-string             $namespace
     * @param list<list<non-empty-string>> $lines
     *
     * @return iterable<Rule>
     */
    private static function inOrder(string $namespace, array $lines): iterable
    {
        $below = [];
        foreach ($lines as $line) {
            foreach ($line as $folder) {
                yield PHPat::rule()
                    ->classes(Selector::inNamespace("{$namespace}\\{$folder}"))
                    ->shouldNotDependOn()
                    ->classes(Selector::inNamespace($namespace))
                    ->excluding(
                        ...array_map(static fn(string $one): mixed => Selector::inNamespace("{$namespace}\\{$one}"), [...$below, $folder]),
                    )
                    ->because("{$folder} uses only what stands above it in the order of folders");
            }
            $below = [...$below, ...$line];
        }
    }
}
