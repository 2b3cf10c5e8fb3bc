<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Classroom\EasyPictures;
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

    /** The pictures that stand on cards stand once, in EasyPictures; the page has a name for each. */
    public function testThePageOffersThePicturesThatCardsAreMadeOf(): void
    {
        $file = self::SCHEMA . '/pictures.json';
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents($file, json_encode(EasyPictures::all(), \JSON_PRETTY_PRINT | \JSON_THROW_ON_ERROR) . "\n");
        }
        self::assertSame(EasyPictures::all(), json_decode((string) file_get_contents($file), true));
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
            '$defs/take/properties/pointing/maxItems' => Limits::STROKES,
            '$defs/stroke/properties/points/maxItems' => Limits::POINTS,
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
        yield 'what was recorded' => [
            'openapi.yaml#paths|/api/assets/{id}/finish|post|requestBody|content|application/json|schema|properties|recorded|maximum',
            Limits::SAMPLES,
        ];
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
        yield 'the name of a take' => ['story.schema.json#$defs/take/properties/name/maxLength', Limits::TAKE_NAME];
        yield 'the script of the slide before' => ['story.schema.json#$defs/slide/properties/toldBefore/maxLength', Limits::SCRIPT];
        yield 'who speaks' => ['story.schema.json#$defs/take/properties/speaker/maxLength', Limits::SPEAKER];
        $classes = 'openapi.yaml#paths|/api/classes';
        $named = '|requestBody|content|application/json|schema|properties|name|maxLength';
        yield 'a new class' => ["{$classes}|post{$named}", Limits::CLASSROOM];
        yield 'a class by another name' => ["{$classes}/{id}|put{$named}", Limits::CLASSROOM];
        yield 'a class that is moved up' => ["{$classes}/{id}/next|post{$named}", Limits::CLASSROOM];
        yield 'a student' => ["{$classes}/{id}/students/{student}|patch{$named}", Limits::FIRST_NAME];
        $students = '|requestBody|content|application/json|schema|properties';
        yield 'a list of names' => ["{$classes}/{id}/students|post{$students}|list|maxLength", Limits::NAMES];
        $accept = 'openapi.yaml#paths|/api/invitations/accept|post' . $students;
        $rubric = 'openapi.yaml#components|schemas|Rubric|properties|';
        yield 'criteria' => ["{$rubric}criteria|maxItems", Limits::CRITERIA];
        yield 'levels' => ["{$rubric}criteria|items|properties|levels|maxItems", Limits::LEVELS];
        yield 'weight' => ["{$rubric}criteria|items|properties|weight|maximum", Limits::WEIGHT];
        yield 'points' => ["{$rubric}criteria|items|properties|levels|items|properties|points|maximum", Limits::RUBRIC_POINTS];
        yield 'sentence' => ["{$rubric}criteria|items|properties|levels|items|properties|sentence|maxLength", Limits::RUBRIC_TEXT];
        yield 'criterion' => ["{$rubric}criteria|items|properties|name|maxLength", Limits::RUBRIC_TEXT];
        yield 'a screening' => ['openapi.yaml#paths|/api/assignments/{id}/screening|put|requestBody|content|application/json|schema|properties|films|maxItems', Limits::SCREENED];
        yield 'a sentence' => ['openapi.yaml#paths|/api/sentences|post|requestBody|content|application/json|schema|properties|text|maxLength', Limits::REMARK];
        yield 'a guest' => ['openapi.yaml#paths|/api/handins/{id}/guests|post|requestBody|content|application/json|schema|properties|name|maxLength', Limits::FIRST_NAME];
        yield 'a first name' => ["{$accept}|firstName|maxLength", Limits::FIRST_NAME];
        yield 'a sign-in name' => ["{$accept}|name|maxLength", Limits::SIGN_IN_NAME];
        yield 'a short password' => ["{$accept}|password|minLength", Limits::LEAST_PASSWORD];
        yield 'a long password' => ["{$accept}|password|maxLength", Limits::PASSWORD];
        yield 'who joins' => ['openapi.yaml#paths|/api/join|post' . $students . '|name|maxLength', Limits::FIRST_NAME];
        $groups = 'openapi.yaml#paths|/api/assignments/{id}/groups|post';
        yield 'a group' => ["{$groups}{$students}|students|maxItems", Limits::TOGETHER];
        yield 'peers' => ['openapi.yaml#components|schemas|Task|properties|peers|maximum', Limits::PEERS];
        yield 'what a peer liked' => ['openapi.yaml#paths|/api/handins/{id}/peer|put' . $students . '|liked|maxLength', Limits::REMARK];
        yield 'what a peer wondered' => ['openapi.yaml#paths|/api/handins/{id}/peer|put' . $students . '|wondered|maxLength', Limits::REMARK];
        yield 'a thank-you' => ['openapi.yaml#paths|/api/handins/{id}/thanks|put' . $students . '|words|maxLength', Limits::THANKS];
        yield 'a platform' => ['openapi.yaml#components|schemas|PlatformTold|properties|name|maxLength', Limits::CLASSROOM];
        yield 'a platform’s own name' => ['openapi.yaml#components|schemas|PlatformTold|properties|issuer|maxLength', Limits::PLATFORM_ID];
        yield 'a platform’s deployments' => ['openapi.yaml#components|schemas|PlatformTold|properties|deployments|maxItems', Limits::DEPLOYMENTS];
        yield 'together' => ['openapi.yaml#components|schemas|Task|properties|together|maximum', Limits::TOGETHER];
        yield 'years that are kept' => ['openapi.yaml#components|schemas|KeepsYears|maximum', Limits::KEPT_YEARS];
        yield 'cards at once' => ["{$classes}/{id}/cards|post{$students}|students|maxItems", Limits::STUDENTS];
        $task = 'openapi.yaml#components|schemas|Task|properties';
        yield 'the title of a task' => ["{$task}|title|maxLength", Limits::TITLE];
        yield 'a task' => ["{$task}|task|maxLength", Limits::TASK];
        yield 'seconds that are asked' => ["{$task}|mostSeconds|maximum", Limits::ASKED_SECONDS];
        yield 'fewest seconds that are asked' => ["{$task}|leastSeconds|maximum", Limits::ASKED_SECONDS];
        yield 'slides that are asked' => ["{$task}|mostSlides|maximum", Limits::SLIDES];
        yield 'fewest slides that are asked' => ["{$task}|leastSlides|maximum", Limits::SLIDES];
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
        // The two of a pair of samples, and the three of a place at a moment, are no limit of ours.
        self::assertCount(\count($held), array_filter($found[2], static fn(string $most): bool => !\in_array($most, ['2', '3'], true)));
    }
}
