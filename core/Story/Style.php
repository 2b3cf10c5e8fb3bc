<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Words\OwnScheme;
use Rhapsode\Core\Words\Scheme;

/** What is usual in the whole story; what a slide says itself wins. */
final readonly class Style
{
    public Transition $transition;

    /** @param Transition|null $transition the one of its name where it is not told */
    public function __construct(
        ?Transition $transition = null,
        public StyleName $name = StyleName::Thread,
        public OwnScheme $own = new OwnScheme(),
    ) {
        $this->transition = $transition ?? $name->transition();
    }

    public static function read(Fields $in): self
    {
        return new self(
            $in->has('transition') ? Transition::read($in->object('transition')) : null,
            $in->choice('name', StyleName::class, StyleName::Thread),
            $in->has('own') ? OwnScheme::read($in->object('own')) : new OwnScheme(),
        );
    }

    public function scheme(): Scheme
    {
        return $this->own->on($this->name->scheme());
    }

    /** The same with another transition. */
    public function with(Transition $transition): self
    {
        return new self($transition, $this->name, $this->own);
    }

    /**
     * The same with other faces or colours.
     *
     * @param array<string, mixed> $changes of the scheme; null for what is as the style has it again
     */
    public function owned(array $changes): self
    {
        return new self($this->transition, $this->name, OwnScheme::read(Fields::of([...$this->own->toArray(), ...$changes], 'own.')));
    }

    /** Another, with its own faces and colours; a transition of the maker's own stays, that of the style before gives way to the new one's. */
    public function named(StyleName $name): self
    {
        return new self($this->transition == $this->name->transition() ? null : $this->transition, $name);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'transition' => $this->transition->toArray(),
            ...StyleName::Thread === $this->name ? [] : ['name' => $this->name->value],
            ...[] === $this->own->toArray() ? [] : ['own' => $this->own->toArray()],
        ];
    }
}
