<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The arrows of the design: src → studio → core, and core knows nothing but PHP. PHPStan runs these rules. */
final class ArrowsTest
{
    public function testCoreKnowsNobody(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rhapsode\Core'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('Rhapsode\Core'), Selector::inNamespace('Psr'), Selector::classname('/^\\\\?(BackedEnum|UnitEnum|Closure|DomainException|JsonException|JsonSerializable|LogicException|stdClass|Collator|Locale|Normalizer|IntlBreakIterator|IntlPartsIterator|ResourceBundle|ReflectionClass|Iterator|Traversable|Stringable|Throwable)$/', true))
            ->because('the rules of the job need no I/O, clock, framework or process');
    }

    public function testStudioKnowsNoApplication(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rhapsode\Studio'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('Rhapsode\App'), Selector::inNamespace('Doctrine'), Selector::inNamespace('Symfony\Component\HttpFoundation'))
            ->because('the engine runs without database and server');
    }
}
