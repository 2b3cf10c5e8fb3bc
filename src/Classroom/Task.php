<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Proof\Asked;
use Symfony\Component\Validator\Constraints as Assert;

/** What a class is asked to do, as its teacher tells it. */
final readonly class Task
{
    #[Text(most: Limits::TITLE, least: 1)]
    public string $title;

    #[Text(most: Limits::TASK)]
    public string $task;

    /** @param list<string> $asked cases of Asked */
    public function __construct(
        string $title,
        string $task,
        #[Assert\Date(message: 'field.day')]
        public string $dueOn,
        #[Assert\Range(min: 0, max: Limits::ASKED_SECONDS, notInRangeMessage: 'field.number')]
        public int $leastSeconds,
        #[Assert\Range(min: 1, max: Limits::ASKED_SECONDS, notInRangeMessage: 'field.number')]
        #[Assert\GreaterThanOrEqual(propertyPath: 'leastSeconds', message: 'field.not-under')]
        public int $mostSeconds,
        #[Assert\Range(min: 1, max: Limits::SLIDES, notInRangeMessage: 'field.number')]
        public ?int $leastSlides = null,
        #[Assert\Range(min: 1, max: Limits::SLIDES, notInRangeMessage: 'field.number')]
        #[Assert\GreaterThanOrEqual(propertyPath: 'leastSlides', message: 'field.not-under')]
        public ?int $mostSlides = null,
        #[Assert\All([new Assert\Choice(callback: [self::class, 'offered'], message: 'field.invalid')])]
        private array $asked = [],
        public bool $hidesNames = false,
        #[Assert\Range(min: 1, max: Limits::TOGETHER, notInRangeMessage: 'field.number')]
        public int $together = 1,
        #[Assert\Range(min: 0, max: Limits::PEERS, notInRangeMessage: 'field.number')]
        public int $peers = 0,
        public bool $peersHeld = true,
        public bool $classSees = false,
    ) {
        $this->title = trim(Fields::cleaned($title));
        $this->task = trim(Fields::cleaned($task));
    }

    /** @return list<string> */
    public static function offered(): array
    {
        return array_column(Asked::cases(), 'value');
    }

    /** @return list<Asked> each once, in the order in which they are offered */
    public function asked(): array
    {
        return array_values(array_filter(Asked::cases(), fn(Asked $one): bool => \in_array($one->value, $this->asked, true)));
    }

    public function day(): \DateTimeImmutable
    {
        return new \DateTimeImmutable($this->dueOn);
    }
}
