<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** A face in one of its weights. */
final readonly class Type
{
    public Weight $weight;

    /** @param Weight|null $weight one that the face lacks is its usual one */
    public function __construct(public Face $face, ?Weight $weight = null)
    {
        $this->weight = null !== $weight && \in_array($weight, $face->weights(), true) ? $weight : $face->weights()[0];
    }

    /** Names it among all. */
    public function key(): string
    {
        return $this->face->value . (Weight::Semibold === $this->weight ? '' : "-{$this->weight->value}");
    }
}
