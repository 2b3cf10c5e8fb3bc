<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

/** What every kind of layer tells in one way, of its properties $id and $cell. */
trait LiesInCell
{
    public function id(): string
    {
        return $this->id;
    }

    public function cell(): ?int
    {
        return $this->cell;
    }

    public function inCell(?int $cell): self
    {
        return $this->with(cell: $cell);
    }

    /** The same with the named properties changed. */
    public function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }
}
