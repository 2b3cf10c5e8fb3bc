<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Lti\Address;
use Symfony\Component\Validator\Constraints as Assert;

/** A platform as its administrator reads it from the platform's own page. */
final readonly class PlatformTold
{
    #[Text(most: Limits::CLASSROOM, least: 1)]
    public string $name;

    #[Text(most: Limits::PLATFORM_ID, least: 1)]
    public string $client;

    /** @var list<string> each once */
    #[Assert\Count(min: 1, max: Limits::DEPLOYMENTS, minMessage: 'field.invalid', maxMessage: 'field.invalid')]
    #[Assert\All([new Assert\Length(max: Limits::PLATFORM_ID, maxMessage: 'field.invalid')])]
    public array $deployments;

    /** @param list<string> $deployments */
    public function __construct(
        string $name,
        #[Assert\Regex(pattern: Address::PATTERN, message: 'field.address')]
        #[Text(most: Limits::PLATFORM_ID, least: 1)]
        public string $issuer,
        string $client,
        array $deployments,
        #[Assert\Regex(pattern: Address::PATTERN, message: 'field.address')]
        public string $authorisation,
        #[Assert\Regex(pattern: Address::PATTERN, message: 'field.address')]
        public string $tokens,
        #[Assert\Regex(pattern: Address::PATTERN, message: 'field.address')]
        public string $keys,
    ) {
        $this->name = trim(Fields::cleaned($name));
        $this->client = trim($client);
        $this->deployments = array_values(array_unique(array_filter(
            array_map(static fn(string $one): string => trim(Fields::cleaned($one)), $deployments),
            static fn(string $one): bool => '' !== $one,
        )));
    }
}
