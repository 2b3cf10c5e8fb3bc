<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** The answer to a platform that asked what its link is to lead to: Deep Linking 2.0 §4.5, an item of the kind ltiResourceLink (§3.1). */
final class Chosen
{
    /** Seconds that the platform has to take it. */
    private const LASTS = 300;

    /**
     * @param string $target     where the link leads
     * @param string $assignment its id, which comes back with every launch
     * @param int    $points     that there are to get
     * @param int    $now        in seconds since 1970
     *
     * @return array<string, mixed> claims, to be signed
     */
    public static function claims(
        Registered $platform,
        Launch $launch,
        string $target,
        string $assignment,
        string $title,
        int $points,
        string $nonce,
        int $now,
    ): array {
        $deep = $launch->deepLinking ?? throw new \LogicException('Nothing is to be chosen.');
        $item = ['type' => 'ltiResourceLink', 'title' => $title, 'url' => $target, 'custom' => ['assignment' => $assignment]];

        return [
            'iss' => $platform->client, 'aud' => $platform->issuer, 'iat' => $now, 'exp' => $now + self::LASTS, 'nonce' => $nonce,
            Claim::DEPLOYMENT => $launch->deployment, Claim::MESSAGE => 'LtiDeepLinkingResponse', Claim::VERSION => '1.3.0',
            Claim::ITEMS => [$item + ($deep->takesScores ? ['lineItem' => ['scoreMaximum' => $points, 'label' => $title, 'resourceId' => $assignment]] : [])],
        ] + (null === $deep->data ? [] : [Claim::DATA => $deep->data]);
    }
}
