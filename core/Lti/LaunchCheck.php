<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/**
 * Whether what a platform's signed message says is to be believed, after its signature was (Security Framework 1.0 §5.1.3; LTI Core
 * 1.3 §5.3 and §5.4; Deep Linking 2.0 §4.4).
 */
final readonly class LaunchCheck
{
    private const VERSION = '1.3.0';
    private const LINK = 'LtiResourceLinkRequest';
    private const DEEP = 'LtiDeepLinkingRequest';
    /** Of a token, in bytes. */
    private const LONGEST = 20_000;
    /** Of a subject, a course, a link: LTI Core 1.3 §5.3.4 and §5.3.6. */
    private const LONGEST_ID = 255;
    /** Seconds by which clocks may differ, that a message may be old, and that it may be good for. */
    private const LEEWAY = 10;
    private const OLDEST = 600;
    private const LASTS = 7200;

    /** @param array<string, mixed> $claims */
    private function __construct(private array $claims) {}

    /** What can be told before a key is looked for. @return string|LaunchFault the name of the key that it is signed by */
    public static function key(string $token): string|LaunchFault
    {
        $parts = explode('.', $token);
        if (3 !== \count($parts) || \strlen($token) > self::LONGEST) {
            return LaunchFault::Shape;
        }
        $head = json_decode((string) base64_decode(strtr($parts[0], '-_', '+/'), true), true, 8);
        if (!\is_array($head)) {
            return LaunchFault::Shape;
        }
        // One algorithm, whatever the message asks for (Security Framework 1.0 §5.1.3, step 5).
        if ('RS256' !== ($head['alg'] ?? null)) {
            return LaunchFault::Algorithm;
        }
        $key = $head['kid'] ?? null;

        return \is_string($key) && '' !== $key && \strlen($key) <= self::LONGEST_ID ? $key : LaunchFault::KeyUnnamed;
    }

    /**
     * @param array<string, mixed> $claims of a token whose signature is the platform's
     * @param int                  $now    in seconds since 1970
     */
    public static function read(array $claims, Registered $platform, Expected $expected, int $now): Launch|LaunchFault
    {
        $check = new self($claims);

        return $check->sender($platform) ?? $check->time($now) ?? $check->begun($platform, $expected) ?? $check->launch($expected);
    }

    private function sender(Registered $platform): ?LaunchFault
    {
        $audience = $this->claims['aud'] ?? null;
        $audience = \is_array($audience) ? $audience : [$audience];
        $party = $this->claims['azp'] ?? null;

        return match (true) {
            ($this->claims['iss'] ?? null) !== $platform->issuer => LaunchFault::Issuer,
            !\in_array($platform->client, $audience, true) => LaunchFault::Audience,
            null === $party ? \count($audience) > 1 : $party !== $platform->client => LaunchFault::AuthorisedParty,
            default => null,
        };
    }

    private function time(int $now): ?LaunchFault
    {
        $made = $this->claims['iat'] ?? null;
        $ends = $this->claims['exp'] ?? null;
        $good = \is_int($made) && \is_int($ends) && $ends > $now - self::LEEWAY && $made <= $now + self::LEEWAY
            && $made >= $now - self::OLDEST && $ends - $made <= self::LASTS;

        return $good ? null : LaunchFault::Time;
    }

    private function begun(Registered $platform, Expected $expected): ?LaunchFault
    {
        $nonce = $this->claims['nonce'] ?? null;

        return match (true) {
            !\is_string($nonce) || !hash_equals($expected->nonce, $nonce) => LaunchFault::Nonce,
            !\in_array($this->claims[Claim::DEPLOYMENT] ?? null, $platform->deployments, true) => LaunchFault::Deployment,
            self::VERSION !== ($this->claims[Claim::VERSION] ?? null) => LaunchFault::Version,
            default => null,
        };
    }

    private function launch(Expected $expected): Launch|LaunchFault
    {
        $message = $this->claims[Claim::MESSAGE] ?? null;
        $roles = $this->claims[Claim::ROLES] ?? null;
        $subject = self::id($this->claims['sub'] ?? null);
        $link = $this->part(Claim::LINK);
        $deep = self::DEEP === $message ? $this->deepLinking() : null;
        $course = $this->part(Claim::COURSE);
        $scores = $this->scores();
        $names = $this->part(Claim::NAMES)['context_memberships_url'] ?? null;
        $fault = match (true) {
            self::LINK !== $message && self::DEEP !== $message => LaunchFault::Message,
            // Nobody comes without a name by which they are known the next time.
            null === $subject => LaunchFault::Subject,
            !\is_array($roles) => LaunchFault::Roles,
            [] !== $course && null === self::id($course['id'] ?? null) => LaunchFault::Link,
            self::LINK === $message && null === self::id($link['id'] ?? null) => LaunchFault::Link,
            self::LINK === $message && ($this->claims[Claim::TARGET] ?? null) !== $expected->target => LaunchFault::Target,
            self::DEEP === $message && null === $deep => LaunchFault::DeepLinking,
            null !== $scores && !Address::isOne($scores), null !== $names && !Address::isOne($names) => LaunchFault::Address,
            default => null,
        };
        if (null !== $fault) {
            return $fault;
        }
        \assert(null !== $subject && \is_array($roles));

        return new Launch(
            self::text($this->claims[Claim::DEPLOYMENT] ?? null),
            $subject,
            Standing::of($roles),
            self::text($this->claims['given_name'] ?? $this->claims['name'] ?? null),
            self::id($course['id'] ?? null),
            self::text($course['title'] ?? $course['label'] ?? null),
            self::LINK === $message ? self::id($link['id'] ?? null) : null,
            self::id($this->part(Claim::CUSTOM)['assignment'] ?? null),
            \is_string($scores) ? $scores : null,
            \is_string($names) ? $names : null,
            $deep,
        );
    }

    private function scores(): mixed
    {
        $told = $this->part(Claim::SCORES);
        $may = $told['scope'] ?? null;

        return \is_array($may) && \in_array(Scope::Score->value, $may, true) ? $told['lineitem'] ?? null : null;
    }

    private function deepLinking(): ?DeepLinking
    {
        $told = $this->part(Claim::DEEP_LINKING);
        $back = $told['deep_link_return_url'] ?? null;
        $takes = $told['accept_types'] ?? null;
        if (!Address::isOne($back) || !\is_string($back) || !\is_array($takes) || !\in_array('ltiResourceLink', $takes, true)) {
            return null;
        }
        $data = $told['data'] ?? null;

        return new DeepLinking($back, \is_string($data) ? $data : null, false !== ($told['accept_lineitem'] ?? true));
    }

    /** @return array<array-key, mixed> */
    private function part(string $claim): array
    {
        $part = $this->claims[$claim] ?? null;

        return \is_array($part) ? $part : [];
    }

    private static function id(mixed $value): ?string
    {
        return \is_string($value) && '' !== $value && \strlen($value) <= self::LONGEST_ID ? $value : null;
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }
}
