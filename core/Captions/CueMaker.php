<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Story\CaptionPlace;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Timing\Timed;
use Rhapsode\Core\Words\Breaks;

/**
 * Makes caption cues from a slide's script, timed within its voice.
 *
 * Breaks come at sentences, else clauses, else phrases; a cue has at most two lines of 42 characters (common practice
 * in subtitling; the same figures stand in the published guidelines of broadcasters). Time is shared out by length of
 * text, a sentence's end counting as a pause.
 */
final readonly class CueMaker
{
    public const LINE = 42;
    public const LINES = 2;
    /** Milliseconds that a cue is shown: at most, and at least where the text allows it. */
    public const LONGEST = 7000;
    public const SHORTEST = 1000;
    /** What the pause after a sentence and after a clause is worth, in characters. */
    private const SENTENCE_PAUSE = 6;
    private const CLAUSE_PAUSE = 2;

    public function __construct(private string $language = 'en') {}

    /** @return list<Cue> none for a slide without voice or script */
    public function of(Timed $timed): array
    {
        $voice = $timed->voice;
        $script = trim((string) preg_replace('/\s+/u', ' ', $timed->slide->script));
        if (null === $voice || '' === $script) {
            return [];
        }
        $start = intdiv($voice->at * 1000, Rate::SAMPLES);
        $end = intdiv($voice->end() * 1000, Rate::SAMPLES);
        // Words upon words cannot be read: a caption at the bottom sends the cues to the top.
        $high = SlideKind::Picture === $timed->slide->kind && CaptionPlace::Bottom === $timed->slide->caption->place && '' !== trim($timed->slide->caption->text);
        $chunks = $this->chunks($script, $end - $start);
        $weights = array_map(self::weight(...), $chunks);
        $total = max(1, array_sum($weights));
        $cues = [];
        $said = 0;
        foreach ($chunks as $i => $chunk) {
            $from = $start + intdiv(($end - $start) * $said, $total);
            $said += $weights[$i];
            $to = $start + intdiv(($end - $start) * $said, $total);
            if ($to > $from) {
                $cues[] = new Cue($from, min($to, $from + self::LONGEST), $this->wrapped($chunk), $timed->slide->id, $high);
            }
        }

        return $cues;
    }

    private static function weight(string $chunk): int
    {
        return mb_strlen($chunk) + match (1) {
            preg_match('/[.!?…。！？؟।]["”’»)]*$/u', $chunk) => self::SENTENCE_PAUSE,
            preg_match('/[,;:—，、；：،؛]["”’»)]*$/u', $chunk) => self::CLAUSE_PAUSE,
            default => 0,
        };
    }

    /** @return list<string> pieces that each fit a cue in length and, at the voice's pace, in time */
    private function chunks(string $script, int $milliseconds): array
    {
        $pace = $milliseconds / max(1, mb_strlen($script));
        $most = (int) max(12, min(self::LINE * self::LINES, self::LONGEST / max(0.001, $pace)));
        $chunks = [];
        foreach (Breaks::sentences($script, $this->language) as $sentence) {
            array_push($chunks, ...$this->split($sentence, $most));
        }

        return $this->joinShort($chunks, $most, $pace);
    }

    /** @return list<string> a sentence cut evenly into as few cues as it needs, at the best place near each even share */
    private function split(string $sentence, int $most): array
    {
        $sentence = trim($sentence);
        if ($this->fits($sentence, $most)) {
            return '' === $sentence ? [] : [$sentence];
        }
        $words = Breaks::lines($sentence, $this->language);
        $best = null;
        $bestCost = \INF;
        $head = '';
        $length = mb_strlen($sentence);
        foreach ($words as $i => $word) {
            $head .= $word;
            if ($i === \count($words) - 1) {
                break;
            }
            $cost = abs(mb_strlen($head) / $length - 0.5) - (1 === preg_match('/[,;:—–，、；：،؛]\s*$/u', $head) ? 0.3 : 0);
            if ($cost < $bestCost) {
                $bestCost = $cost;
                $best = mb_strlen($head);
            }
        }
        if (null === $best) {
            return [$sentence];
        }

        return [...$this->split(mb_substr($sentence, 0, $best), $most), ...$this->split(mb_substr($sentence, $best), $most)];
    }

    private function fits(string $text, int $most): bool
    {
        return mb_strlen($text) <= $most && substr_count($this->wrapped($text), "\n") < self::LINES;
    }

    /**
     * @param list<string> $chunks
     *
     * @return list<string> with a cue too short to be read joined to the next, where both fit
     */
    private function joinShort(array $chunks, int $most, float $pace): array
    {
        $joined = [];
        foreach ($chunks as $chunk) {
            $last = array_key_last($joined);
            if (null !== $last && min(mb_strlen($joined[$last]), mb_strlen($chunk)) * $pace < self::SHORTEST && $this->fits($joined[$last] . ' ' . $chunk, $most)) {
                $joined[$last] .= ' ' . $chunk;
            } else {
                $joined[] = $chunk;
            }
        }

        return array_values($joined);
    }

    /** In lines of even length, at most 42 characters each where the language has places to break. */
    private function wrapped(string $text): string
    {
        $lines = max(1, (int) ceil(mb_strlen($text) / self::LINE));
        if (1 === $lines) {
            return $text;
        }
        $words = Breaks::lines($text, $this->language);
        for ($room = (int) ceil(mb_strlen($text) / $lines); $room <= self::LINE; ++$room) {
            $set = self::fill($words, $room);
            if (\count($set) <= $lines) {
                return implode("\n", $set);
            }
        }

        return implode("\n", self::fill($words, self::LINE));
    }

    /**
     * @param list<string> $words
     *
     * @return list<string>
     */
    private static function fill(array $words, int $room): array
    {
        $lines = [''];
        foreach ($words as $word) {
            $last = \count($lines) - 1;
            if ('' !== $lines[$last] && mb_strlen($lines[$last] . rtrim($word)) > $room) {
                $lines[$last] = rtrim($lines[$last]);
                $lines[] = $word;
            } else {
                $lines[$last] .= $word;
            }
        }

        return array_map(trim(...), $lines);
    }
}
