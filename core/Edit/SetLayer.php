<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/**
 * Changes what is told of one layer; what is not told stays. A layer that is not there yet is put before the others: two who
 * write the same caption for the first time write one. Who lays something new where another was quicker lays it in the next
 * cell in which nothing lies.
 */
final readonly class SetLayer implements Edit
{
    /** @param array<string, mixed> $changes properties of that kind of layer, as the document has them */
    public function __construct(private string $slide, private string $layer, private LayerKind $kind, private array $changes) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, [$this->slide], function (Slide $slide): Slide {
            $known = $slide->layer($this->layer);
            if (null !== $known && $known->kind() !== $this->kind) {
                throw new Refused('edit.layer-of-another-kind');
            }

            $layer = self::changed($this->kind, $this->layer, $known, $this->changes);
            $empty = $slide->emptyCells();
            if (null === $known && null !== $layer->cell() && [] !== $empty && !\in_array($layer->cell(), $empty, true)) {
                $layer = $layer->inCell($empty[0]);
            }

            return $slide->withLayer($layer);
        });
    }

    /**
     * @param Layer|null           $before  of the same kind
     * @param array<string, mixed> $changes
     *
     * @throws Malformed
     */
    public static function changed(LayerKind $kind, string $id, ?Layer $before, array $changes): Layer
    {
        $known = $before?->toArray() ?? $kind->fresh();
        $told = $changes;
        // Parts of a part, such as a framing's, are told by themselves too.
        foreach ($changes as $key => $value) {
            if (\is_array($value) && !array_is_list($value) && \is_array($known[$key] ?? null)) {
                $changes[$key] = [...$known[$key], ...$value];
            }
        }
        $after = $kind->read($id, Fields::of([...$known, ...$changes, 'id' => $id, 'kind' => $kind->value], 'changes.'));

        return null === $before ? $after : $after->following($before, $told);
    }
}
