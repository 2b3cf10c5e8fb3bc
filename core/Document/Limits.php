<?php

declare(strict_types=1);

namespace Rhapsode\Core\Document;

/**
 * How much of everything a story may hold. The schemas and the page hold to the same figures: tests/core/LimitsTest compares
 * them, and writes schema/limits.json, which the page reads.
 */
final class Limits
{
    // Characters.
    public const TITLE = 120;
    public const WORDS = 300;
    /** That an assignment may hold words on a picture to. */
    public const LEAST_LETTERS = 20;
    public const BY = 120;
    /** Words on one picture: so many find room beside each other. */
    public const WORDS_ON_PICTURE = 6;
    public const SCRIPT = 5000;
    /** Of a text that is dealt over slides. */
    public const WHOLE_SCRIPT = 200_000;
    public const FILE = 255;
    public const SOURCE_TITLE = 200;
    public const SOURCE_AUTHOR = 200;
    public const SOURCE_LINK = 500;
    public const SOURCE_LICENCE = 100;
    public const LANGUAGE = 35;
    public const TIMED_CAPTION = 500;
    /** What a class is asked to do. */
    public const TASK = 4000;
    public const REMARK = 1000;
    /** A sentence with which somebody says thank you for a film. */
    public const THANKS = 160;
    public const ANSWER = 2000;
    /** Films that a class watches one after another. */
    public const SCREENED = 200;
    /** That a teacher keeps for remarks. */
    public const SENTENCES = 60;
    public const TAKE_NAME = 60;
    public const CLASSROOM = 60;
    /** Of a first name in a class, with what tells it from another. */
    public const FIRST_NAME = 40;
    /** That see one film at once. */
    public const GUESTS = 20;
    public const CRITERIA = 12;
    public const LEVELS = 6;
    /** A criterion's name, a level's sentence. */
    public const RUBRIC_TEXT = 240;
    public const RUBRIC_POINTS = 100;
    public const WEIGHT = 10;
    /** Words or pictures of a child's secret. */
    public const SECRET_SIGNS = 3;
    public const SIGN_IN_NAME = 60;
    /** NIST SP 800-63B asks for eight at least, and to take 64 at least. */
    public const LEAST_PASSWORD = 10;
    public const PASSWORD = 200;
    /** Of a list of names. */
    public const NAMES = 10_000;
    /** Who speaks stands before what is said, in a caption. */
    public const SPEAKER = 30;

    // Bytes.
    /** Of what a school's files hold as text. */
    public const ROSTER_BYTES = 4_000_000;
    public const PICTURE_BYTES = 60_000_000;
    public const CLIP_BYTES = 1_000_000_000;

    /** Of a slide, at each side, that words keep free (graphics safe area of EBU R 95). */
    public const SAFE_EDGE = 0.05;
    /** The share of the slide's width that lines of words may take, where they were given one. */
    public const LEAST_WORDS = 0.15;
    /** The share of a side that a part of a picture takes at least. */
    public const LEAST_PART = 0.02;

    // How many.
    public const SLIDES = 500;
    public const LAYERS = 40;
    /** Of an icon, a share of the slide's shorter side; and degrees by which it may be turned, either way. */
    public const LEAST_ICON = 0.05;
    public const MOST_ICON = 0.8;
    public const TURNED = 180;
    /** Of a slide's arrangement. */
    public const CELLS = 4;
    public const SPANS = 100;
    /** From slide to slide, while one speaks of all of them in one go. */
    public const STEPS = 2000;
    /** Decibels by which a voice stands out of the quiet around it, and of full scale under which there is none. */
    public const OVER_QUIET = 10.0;
    public const SILENT = -60.0;
    /** Seconds to which pauses may be shortened. */
    public const LEAST_PAUSE = 0.2;
    public const MOST_PAUSE = 5.0;
    /** Of a pointer that was moved while somebody spoke: times that it came, and places that it was at. */
    public const STROKES = 1000;
    public const POINTS = 20_000;
    /** That are marked as red in one picture. */
    public const EYES = 20;
    /** Whose places in a picture are known. */
    public const FACES = 20;
    /** That the look comes to on its way over one picture. */
    public const STOPS = 6;
    public const BEDS = 50;
    public const STUDENTS = 100;
    /** Years that a school may say it keeps what an archived class has made. */
    public const KEPT_YEARS = 10;
    /** Days from when a school says so, or says it otherwise: until then nothing goes, however old it is. */
    public const KEPT_NOTICE = 30;
    /** Films of others that each student answers. */
    public const PEERS = 3;
    /** That make one story together. */
    public const TOGETHER = 5;
    /** Letters of what a learning platform calls itself, a tool, a place where it is used (LTI Core 1.3 §5.3: 255). */
    public const PLATFORM_ID = 255;
    /** Ids under which one platform uses the application. */
    public const DEPLOYMENTS = 20;
    /** Of a school, in one file. */
    public const CLASSES = 500;
    public const PEOPLE = 5000;
    public const TIMED_CAPTIONS = 5000;
    /** Small frames of a clip at most, and in a row, where they are laid out as one picture. */
    public const STRIP = 120;
    public const STRIP_ACROSS = 10;
    /** In one request. */
    public const EDITS = 300;

    /** Share of a film's picture that a mark on it takes at least: less is a speck that nobody sees from the back row. */
    public const LEAST_MARK = 0.02;

    // Seconds.
    /** That a clip is long. */
    public const CLIP = 600;
    /** The same in frames. */
    public const CLIP_FRAMES = 30 * self::CLIP;
    /** That an assignment may ask a film to last. */
    public const ASKED_SECONDS = 3600;
    /** That somebody may speak of one moment of a film. */
    public const SPOKEN = 180;
    public const LEAST_STAY = 0.5;
    /** That words are there, where a hand pulls when they come and go. */
    public const LEAST_SEEN = 0.5;
    public const MOST_STAY = 600.0;
    public const TRANSITION = 3.0;
    public const FADE = 20.0;

    /** Decibels that a bed lies under a voice; less than nothing is louder than it. */
    public const LEAST_UNDER = -6.0;
    public const MOST_UNDER = 40.0;
    /** Decibels by which a clip is louder than the voices. */
    public const LEAST_LEVEL = -40.0;
    public const MOST_LEVEL = 12.0;
    /** Four hours at 48 kHz. */
    public const SAMPLES = 48_000 * 4 * 3600;

    /** Degrees by which a picture may be straightened, either way. */
    public const STRAIGHTENED = 15.0;
    /** A full step of a picture's light, contrast, warmth and colour, either way; and a look at its strongest. */
    public const TONE = 100;

    /** @return array<string, int|float> by the name that the page knows them by */
    public static function toArray(): array
    {
        $limits = [];
        foreach ((new \ReflectionClass(self::class))->getConstants() as $name => $value) {
            \assert(\is_int($value) || \is_float($value));
            $limits[lcfirst(str_replace('_', '', ucwords(strtolower($name), '_')))] = $value;
        }

        return $limits;
    }
}
