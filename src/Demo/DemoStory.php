<?php

declare(strict_types=1);

namespace Rhapsode\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Asset\Assets;
use Rhapsode\App\Asset\AssetWorker;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Story\Stories;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Edit\AddSlide;
use Rhapsode\Core\Edit\Arrange;
use Rhapsode\Core\Edit\Edit;
use Rhapsode\Core\Edit\SetDrift;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Edit\SetLayers;
use Rhapsode\Core\Edit\SetScript;
use Rhapsode\Core\Edit\SetSequence;
use Rhapsode\Core\Edit\SetSource;
use Rhapsode\Core\Edit\SetStyle;
use Rhapsode\Core\Edit\SetTransition;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\Uuid;

/** Begins a sample story: its pictures and voices come in as anybody's do, its words by the edits of a page. */
final readonly class DemoStory
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Assets $assets,
        private AssetWorker $worker,
        private Stories $stories,
        #[Autowire('%kernel.project_dir%/demo')]
        private string $demo,
    ) {}

    /**
     * @param array<string, Fields> $sources by pictures
     * @param array<string, User>   $people  by the names that they sign in with
     */
    public function begin(Fields $in, array $sources, array $people, Assignment $assignment): StoryRecord
    {
        $owner = $people[$in->text('owner')];
        $title = $in->text('title');
        $opening = $in->flag('noTitle', false) ? [] : [new Slide((string) Uuid::v7(), Layout::Title, [
            new WordsLayer('title', WordsRole::Title), new WordsLayer('subtitle', WordsRole::Subtitle, $in->text('subtitle')),
        ], $in->text('opening'))];
        $record = new StoryRecord($owner, new Story($title, $opening), $assignment);
        foreach ($in->has('with') ? $in->ids('with') : [] as $name) {
            $record->join($people[$name]);
        }
        $this->entities->persist($record);
        $this->entities->flush();
        if ($in->has('style')) {
            $this->edit($record, new SetStyle(null, $in->choice('style', StyleName::class), []));
        }
        foreach ($in->has('onTitle') ? $in->objects('onTitle') : [] as $layer) {
            $this->edit($record, self::layer($record->story()->slides[0]->id, $layer));
        }
        foreach ($in->objects('slides') as $slide) {
            $this->slide($slide, $record, $sources);
        }
        if ($in->has('closing')) {
            $slides = $record->story()->slides;
            $this->edit($record, new AddSlide(new Slide((string) Uuid::v7(), Layout::Closing, [
                new WordsLayer('title', WordsRole::Title), new WordsLayer('subtitle', WordsRole::Subtitle, $in->text('closing')),
            ]), $slides[\count($slides) - 1]->id));
        }
        $this->voices($in, $record, $people);
        if ($in->has('bed')) {
            $bed = $in->object('bed');
            $music = $this->bringIn($record, Arriving::Music, 'music/' . $bed->text('file'));
            $this->edit($record, new SetSource([$music], self::source($bed->object('source'))->toArray()));
        }

        return $record;
    }

    /** @param array<string, User> $people */
    private function voices(Fields $in, StoryRecord $record, array $people): void
    {
        $spoken = $in->objects('slides');
        foreach ($record->story()->slides as $i => $slide) {
            $number = $i + ($in->flag('noTitle', false) ? 1 : 0);
            $file = \sprintf('%s-%02d.ogg', $in->text('name'), $number);
            if (is_file("{$this->demo}/voices/{$file}")) {
                $by = ($spoken[$number - 1] ?? $in)->text('by', default: $in->text('owner'));
                $this->bringIn($record, Arriving::Voice, "voices/{$file}", $slide->id, by: $people[$by]);
            }
        }
    }

    /** @param array<string, Fields> $sources */
    private function slide(Fields $in, StoryRecord $record, array $sources): void
    {
        $name = $in->text('picture');
        $id = (string) Uuid::v7();
        $asset = $this->bringIn($record, Arriving::Picture, "pictures/{$name}.jpg", $id);
        $edits = [
            new SetScript($id, $in->text('script')),
            new SetLayers([$id], LayerKind::Picture, ['fit' => $in->choice('fit', Fit::class, Fit::Auto)->value]),
        ];
        if ('' !== $in->text('caption')) {
            $edits[] = new SetLayer($id, 'caption', LayerKind::Words, [
                'role' => WordsRole::Caption->value,
                'text' => $in->text('caption'),
                'place' => $in->choice('place', Spot::class)->value,
            ]);
        }
        if ($in->has('join')) {
            $edits[] = new SetTransition([$id], new Transition($in->choice('join', TransitionKind::class)));
        }
        if (!$in->flag('noSource', false) && isset($sources[$name])) {
            $edits[] = new SetSource([$asset], self::source($sources[$name])->toArray());
        }
        $this->edit($record, ...$edits);
        foreach ($in->has('beside') ? $in->ids('beside') : [] as $name) {
            $asset = $this->bringIn($record, Arriving::Picture, "pictures/{$name}.jpg", $id, true);
            // One that the story has already has its source too.
            if (isset($record->story()->assets[$asset])) {
                $this->edit($record, new SetSource([$asset], self::source($sources[$name])->toArray()));
            }
        }
        $laid = [
            ...$in->has('layout') ? [new Arrange([$id], $in->choice('layout', Layout::class))] : [],
            ...array_map(static fn(Fields $layer): Edit => self::layer($id, $layer), $in->has('over') ? $in->objects('over') : []),
            ...$in->has('drift') ? [new SetDrift([$id], Drift::read($in->object('drift')))] : [],
            ...$in->has('sequence') ? [new SetSequence([$id], $in->choice('sequence', Sequence::class))] : [],
        ];
        if ([] !== $laid) {
            $this->edit($record, ...$laid);
        }
    }

    /** A layer as the document has it: an icon, a label. */
    private static function layer(string $slide, Fields $in): SetLayer
    {
        $changes = array_diff_key($in->all(), ['id' => true, 'kind' => true]);

        return new SetLayer($slide, $in->id('id'), $in->choice('kind', LayerKind::class), $changes);
    }

    private function edit(StoryRecord $record, Edit ...$edits): void
    {
        $this->stories->edit($record, array_values($edits), null, $record->owner);
    }

    /**
     * The very way that a page's files come in: begun, sent, finished, made ready.
     *
     * @return string the asset that it became
     */
    private function bringIn(StoryRecord $record, Arriving $kind, string $file, ?string $slide = null, bool $beside = false, ?User $by = null): string
    {
        $asset = $this->assets->begin($by ?? $record->owner, $record->id, $kind, basename($file), $slide, beside: $beside);
        $this->assets->receive($asset, 0, (string) file_get_contents("{$this->demo}/{$file}"));
        $this->assets->finish($asset, 1);
        $this->worker->one($asset);
        if (AssetState::Ready !== $asset->state) {
            throw new \RuntimeException("{$file}: " . json_encode($asset->problem));
        }

        return (string) ($asset->same ?? $asset->id);
    }

    /** Title, author, link and licence, in this order. */
    private static function source(Fields $in): Source
    {
        return new Source($in->text('0'), $in->text('1'), $in->text('2'), $in->text('3'));
    }
}
