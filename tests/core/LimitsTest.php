<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Layer\Icon\IconName;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Face;
use Symfony\Component\Yaml\Yaml;

/** A limit stands once, in Limits. schema/limits.json, which the page reads, is written anew with RHAPSODE_GOLDEN=write. */
final class LimitsTest extends TestCase
{
    private const SCHEMA = __DIR__ . '/../../schema';

    public function testThePageHasTheSameFigures(): void
    {
        $file = self::SCHEMA . '/limits.json';
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents($file, json_encode(Limits::toArray(), \JSON_PRETTY_PRINT | \JSON_THROW_ON_ERROR) . "\n");
        }
        self::assertSame(Rate::frames(Limits::CLIP), Limits::CLIP_FRAMES);
        self::assertEquals(Limits::toArray(), json_decode((string) file_get_contents($file), true));
    }

    /** Which weights a face has stands once, in Face; the page offers those. */
    public function testThePageOffersTheWeightsThatAFaceHas(): void
    {
        $file = self::SCHEMA . '/weights.json';
        $weights = [];
        foreach (Face::cases() as $face) {
            $weights[$face->value] = array_column($face->weights(), 'value');
        }
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents($file, json_encode($weights, \JSON_PRETTY_PRINT | \JSON_THROW_ON_ERROR) . "\n");
        }
        self::assertSame($weights, json_decode((string) file_get_contents($file), true));
    }

    /** The signs that need no drawing of the set stand once, in IconName; the page offers those. */
    public function testThePageOffersTheSignsThatThereAre(): void
    {
        $file = self::SCHEMA . '/signs.json';
        $signs = [];
        foreach (IconName::cases() as $sign) {
            $signs[$sign->value] = $sign->path();
        }
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents($file, json_encode($signs, \JSON_PRETTY_PRINT | \JSON_THROW_ON_ERROR) . "\n");
        }
        self::assertSame($signs, json_decode((string) file_get_contents($file), true));
    }

    /** @return iterable<string, array{string, int|float}> a place in a schema, and the limit that it must say */
    public static function places(): iterable
    {
        $story = 'story.schema.json';
        foreach ([
            'properties/title/maxLength' => Limits::TITLE,
            'properties/language/maxLength' => Limits::LANGUAGE,
            'properties/slides/maxItems' => Limits::SLIDES,
            'properties/beds/maxItems' => Limits::BEDS,
            'properties/captions/anyOf/0/maxItems' => Limits::TIMED_CAPTIONS,
            '$defs/source/properties/title/maxLength' => Limits::SOURCE_TITLE,
            '$defs/source/properties/author/maxLength' => Limits::SOURCE_AUTHOR,
            '$defs/source/properties/link/maxLength' => Limits::SOURCE_LINK,
            '$defs/source/properties/licence/maxLength' => Limits::SOURCE_LICENCE,
            '$defs/picture/properties/file/maxLength' => Limits::FILE,
            '$defs/picture/properties/description/maxLength' => Limits::WORDS,
            '$defs/voice/properties/file/maxLength' => Limits::FILE,
            '$defs/voice/properties/samples/maximum' => Limits::SAMPLES,
            '$defs/music/properties/file/maxLength' => Limits::FILE,
            '$defs/music/properties/samples/maximum' => Limits::SAMPLES,
            '$defs/clip/properties/frames/maximum' => Limits::CLIP_FRAMES,
            '$defs/part/properties/to/maximum' => Limits::CLIP_FRAMES,
            '$defs/part/properties/level/minimum' => Limits::LEAST_LEVEL,
            '$defs/part/properties/level/maximum' => Limits::MOST_LEVEL,
            '$defs/bed/properties/under/minimum' => Limits::LEAST_UNDER,
            '$defs/bed/properties/under/maximum' => Limits::MOST_UNDER,
            '$defs/bed/properties/fadeIn/maximum' => Limits::FADE,
            '$defs/bed/properties/fadeOut/maximum' => Limits::FADE,
            '$defs/timedCaption/properties/text/maxLength' => Limits::TIMED_CAPTION,
            '$defs/transition/properties/seconds/maximum' => Limits::TRANSITION,
            '$defs/wordsLayer/properties/text/maxLength' => Limits::WORDS,
            '$defs/wordsLayer/properties/by/maxLength' => Limits::BY,
            '$defs/moment/oneOf/1/maximum' => Limits::MOST_STAY,
            '$defs/moment/oneOf/2/properties/word/maximum' => Limits::SCRIPT,
            '$defs/wordsLayer/properties/width/minimum' => Limits::LEAST_WORDS,
            '$defs/recipe/properties/straighten/maximum' => Limits::STRAIGHTENED,
            '$defs/recipe/properties/straighten/minimum' => -Limits::STRAIGHTENED,
            '$defs/recipe/properties/strength/maximum' => Limits::TONE,
            '$defs/step/maximum' => Limits::TONE,
            '$defs/step/minimum' => -Limits::TONE,
            '$defs/slide/properties/layers/maxItems' => Limits::LAYERS,
            '$defs/slide/properties/script/maxLength' => Limits::SCRIPT,
            '$defs/pictureLayer/properties/cell/maximum' => Limits::CELLS - 1,
            '$defs/wordsLayer/properties/cell/maximum' => Limits::CELLS - 1,
            '$defs/iconLayer/properties/cell/maximum' => Limits::CELLS - 1,
            '$defs/iconLayer/properties/size/minimum' => Limits::LEAST_ICON,
            '$defs/iconLayer/properties/size/maximum' => Limits::MOST_ICON,
            '$defs/iconLayer/properties/turn/minimum' => -Limits::TURNED,
            '$defs/iconLayer/properties/turn/maximum' => Limits::TURNED,
            '$defs/slide/properties/voice/maxItems' => Limits::SPANS,
            '$defs/framing/properties/stops/maxItems' => Limits::STOPS,
            '$defs/matters/properties/faces/maxItems' => Limits::FACES,
            '$defs/recipe/properties/eyes/maxItems' => Limits::EYES,
            '$defs/stop/properties/word/maximum' => Limits::SCRIPT,
            '$defs/stop/properties/at/maximum' => Limits::SAMPLES / Rate::SAMPLES,
            '$defs/frame/properties/width/minimum' => Limits::LEAST_PART,
            '$defs/frame/properties/height/minimum' => Limits::LEAST_PART,
            '$defs/slide/properties/stay/minimum' => Limits::LEAST_STAY,
            '$defs/slide/properties/stay/maximum' => Limits::MOST_STAY,
        ] as $pointer => $limit) {
            yield $pointer => ["{$story}#{$pointer}", $limit];
        }
        yield 'edits at once' => [
            'openapi.yaml#paths|/api/stories/{id}/edits|post|requestBody|content|application/json|schema|properties|edits|maxItems',
            Limits::EDITS,
        ];
        yield 'slides that are pasted' => [
            'openapi.yaml#paths|/api/stories/{id}/slides|post|requestBody|content|application/json|schema|properties|slides|maxItems',
            Limits::SLIDES,
        ];
        yield 'a new title' => [
            'openapi.yaml#paths|/api/stories|post|requestBody|content|application/json|schema|properties|title|maxLength',
            Limits::TITLE,
        ];
        yield 'a remark' => [
            'openapi.yaml#paths|/api/handins/{id}/remarks|post|requestBody|content|application/json|schema|properties|text|maxLength',
            Limits::REMARK,
        ];
        yield 'an answer' => [
            'openapi.yaml#paths|/api/handins/{id}/answer|post|requestBody|content|application/json|schema|properties|answer|maxLength',
            Limits::ANSWER,
        ];
    }

    #[DataProvider('places')]
    public function testTheSchemasSayTheSame(string $place, int|float $limit): void
    {
        [$file, $pointer] = explode('#', $place);
        $text = (string) file_get_contents(self::SCHEMA . '/' . $file);
        $at = str_ends_with($file, '.yaml') ? Yaml::parse($text) : json_decode($text, true, 64, \JSON_THROW_ON_ERROR);
        foreach (explode(str_contains($pointer, '|') ? '|' : '/', $pointer) as $key) {
            $at = \is_array($at) ? $at[$key] ?? null : null;
        }
        self::assertEquals($limit, $at);
    }

    public function testTheSchemaHasNoOtherLimitsOfLength(): void
    {
        preg_match_all('/"(maxLength|maxItems)": (\d+)/', (string) file_get_contents(self::SCHEMA . '/story.schema.json'), $found);
        $places = array_map(static fn(array $place): string => $place[0], iterator_to_array(self::places()));
        $held = array_filter(
            $places,
            static fn(string $place): bool => 1 === preg_match('#story.schema.json.*/(maxLength|maxItems)$#', $place),
        );
        // The two of a pair of samples are no limit of ours.
        self::assertCount(\count($held), array_filter($found[2], static fn(string $most): bool => '2' !== $most));
    }
}
