<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\RateLimiter\AbstractRequestRateLimiter;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\RateLimiter\RateLimiterFactoryInterface;
use Symfony\Component\Security\Http\SecurityRequestAttributes;

/**
 * How often somebody may be wrong at the door: for each name from each address, for each name from all addresses, and for each
 * address, which a whole school may share. A card names nobody, and nobody guesses one.
 */
final class Guessing extends AbstractRequestRateLimiter
{
    public function __construct(
        #[Autowire(service: 'limiter.name_here')]
        private readonly RateLimiterFactoryInterface $nameHere,
        #[Autowire(service: 'limiter.name_anywhere')]
        private readonly RateLimiterFactoryInterface $nameAnywhere,
        #[Autowire(service: 'limiter.address')]
        private readonly RateLimiterFactoryInterface $address,
    ) {}

    protected function getLimiters(Request $request): array
    {
        $address = $request->getClientIp() ?? '';
        $name = $request->attributes->get(SecurityRequestAttributes::LAST_USERNAME, '');
        if (!\is_string($name) || '' === $name) {
            return [$this->address->create($address)];
        }
        $name = hash('sha256', mb_strtolower($name));

        return [
            $this->nameHere->create("{$name}-{$address}"),
            $this->nameAnywhere->create($name),
            $this->address->create($address),
        ];
    }
}
