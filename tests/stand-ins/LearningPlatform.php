<?php

declare(strict_types=1);

namespace Rhapsode\Tests\StandIns;

use Firebase\JWT\JWK;
use Firebase\JWT\JWT;

/**
 * A stand-in for a learning platform with LTI 1.3 Advantage: launches, deep linking, names and roles, scores. What it sends can be
 * made wrong in one way at a time (fault=NAME). It keeps what it has to in files of a folder.
 */
final class LearningPlatform
{
    public const CLIENT = 'tool-7';
    public const DEPLOYMENT = 'deployment-1';
    public const DATA = 'as it was given';
    private const C = 'https://purl.imsglobal.org/spec/lti/claim/';
    private const AGS = 'https://purl.imsglobal.org/spec/lti-ags/';
    private const NRPS = 'https://purl.imsglobal.org/spec/lti-nrps/';
    private const DL = 'https://purl.imsglobal.org/spec/lti-dl/claim/';
    private const MEMBERSHIP = 'http://purl.imsglobal.org/vocab/lis/v2/membership';

    /**
     * @param string                          $here where it is
     * @param string                          $tool where the tool is
     * @param \Closure(): array<string, mixed> $toolKeys reads the tool's public keys
     */
    public function __construct(private readonly string $folder, private readonly string $here, private readonly string $tool, private readonly \Closure $toolKeys)
    {
        is_dir($folder) || mkdir($folder, 0o700, true);
    }

    /**
     * @param array<array-key, mixed> $query
     * @param array<array-key, mixed> $posted
     *
     * @return array{int, string, string, list<string>} status, type, body, further headers
     */
    public function answer(string $method, string $path, array $query, array $posted, string $body, string $authorisation): array
    {
        $asked = [];
        foreach ($query + $posted as $name => $value) {
            $asked += \is_string($value) ? [(string) $name => $value] : [];
        }

        return match (true) {
            '/keys' === $path => $this->json(['keys' => $this->publicKeys()]),
            '/turn-key' === $path => $this->json(['now' => $this->note('current', (string) ($this->current() + 1))]),
            '/begin' === $path => [302, 'text/plain', '', ['Location: ' . $this->beginning($asked)]],
            '/course' === $path => [200, 'text/html', '<!doctype html><title>Course</title><h1>The course</h1><iframe title="The tool" width="700" height="300" src="' . self::plain($this->beginning($asked)) . '"></iframe>', []],
            '/authorise' === $path => $this->authorise($asked),
            '/token' === $path => $this->token($asked),
            '/names' === $path => $this->names($asked, $authorisation),
            1 === preg_match('#^/items/\d+/scores$#', $path) && 'POST' === $method => $this->score($path, $body, $authorisation),
            '/back' === $path && 'POST' === $method => $this->back($asked['JWT'] ?? ''),
            '/told' === $path => $this->json($this->told()),
            default => $this->json(['path' => $path], 404),
        };
    }

    /**
     * Where a launch begins.
     *
     * @param array<string, string> $asked user, name, role, course, title, link, assignment, message, fault
     */
    public function beginning(array $asked): string
    {
        return "{$this->tool}/api/lti/login?" . http_build_query([
            'iss' => $this->here, 'client_id' => self::CLIENT, 'lti_deployment_id' => self::DEPLOYMENT,
            'login_hint' => $asked['user'] ?? 'u-1', 'target_link_uri' => "{$this->tool}/api/lti/launch",
            'lti_message_hint' => json_encode($asked, \JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * The signed message that a launch ends in.
     *
     * @param array<string, string> $asked what the tool sent to the platform
     */
    public function message(array $asked): string
    {
        /** @var array<string, string> $hint */
        $hint = json_decode($asked['lti_message_hint'] ?? '[]', true);
        $fault = $hint['fault'] ?? '';
        $claims = $this->claims($asked['login_hint'] ?? '', $asked['nonce'] ?? '', $hint);
        $key = (string) file_get_contents($this->key($this->current()));
        $alg = 'RS256';
        $kid = "k{$this->current()}";
        foreach (self::faults()[$fault] ?? [] as $name => $value) {
            $claims[$name] = $value;
        }
        $claims = array_filter($claims, static fn(mixed $value): bool => null !== $value);
        switch ($fault) {
            case 'key-unknown':
                $kid = 'nobody';
                break;
            case 'key-unnamed':
                $kid = null;
                break;
            case 'signature':
                // Another key under a name that is known.
                $key = (string) file_get_contents($this->key(99));
                break;
            case 'public-as-secret':
                $alg = 'HS256';
                $key = self::details($key)['key'];
                break;
        }
        $token = JWT::encode($claims, $key, $alg, $kid);
        [$head, $said, $signature] = explode('.', $token);

        return match ($fault) {
            'unsigned' => self::base64((string) json_encode(['alg' => 'none', 'typ' => 'JWT', 'kid' => $kid])) . ".{$said}.",
            'tampered' => "{$head}." . self::base64(str_replace('"sub":"', '"sub":"t-', (string) base64_decode(strtr($said, '-_', '+/'), true))) . ".{$signature}",
            'two-parts' => "{$head}.{$said}",
            default => $token,
        };
    }

    /**
     * What is wrong with a message, by name: claims in place of those that are right, null for none.
     *
     * @return array<string, array<string, mixed>>
     */
    public static function faults(): array
    {
        $now = time();

        return [
            'issuer' => ['iss' => 'http://elsewhere.example'],
            'no-issuer' => ['iss' => null],
            'audience' => ['aud' => 'another'],
            'many-audiences' => ['aud' => [self::CLIENT, 'another']],
            'party' => ['azp' => 'another'],
            'expired' => ['iat' => $now - 400, 'exp' => $now - 60],
            'no-end' => ['exp' => null],
            'no-begin' => ['iat' => null],
            'old' => ['iat' => $now - 7000],
            'too-long' => ['exp' => $now + 90_000],
            'future' => ['iat' => $now + 900, 'exp' => $now + 1200],
            'nonce' => ['nonce' => 'made up'],
            'no-nonce' => ['nonce' => null],
            'deployment' => [self::C . 'deployment_id' => 'another'],
            'no-deployment' => [self::C . 'deployment_id' => null],
            'version' => [self::C . 'version' => '1.1'],
            'message' => [self::C . 'message_type' => 'Other'],
            'no-subject' => ['sub' => null],
            'long-subject' => ['sub' => str_repeat('s', 256)],
            'no-roles' => [self::C . 'roles' => null],
            'no-link' => [self::C . 'resource_link' => null],
            'target' => [self::C . 'target_link_uri' => 'http://elsewhere.example/'],
            'scores-in-a-file' => [self::AGS . 'claim/endpoint' => ['scope' => [self::AGS . 'scope/score'], 'lineitem' => 'file:///etc/hostname']],
            'course-unnamed' => [self::C . 'context' => ['title' => 'No id']],
        ];
    }

    /**
     * @param array<string, string> $hint
     *
     * @return array<string, mixed>
     */
    private function claims(string $user, string $nonce, array $hint): array
    {
        $isDeep = 'deep' === ($hint['message'] ?? '');
        $roles = ['teacher' => ['#Instructor'], 'helper' => ['#Instructor', '/Instructor#TeachingAssistant'], 'observer' => ['#Mentor']][$hint['role'] ?? ''] ?? ['#Learner'];
        $link = $hint['link'] ?? '1';

        return [
            'iss' => $this->here, 'aud' => self::CLIENT, 'sub' => $user, 'iat' => time(), 'exp' => time() + 300, 'nonce' => $nonce,
            'given_name' => $hint['name'] ?? 'Ilse', 'family_name' => 'Kept for itself',
            self::C . 'version' => '1.3.0', self::C . 'deployment_id' => self::DEPLOYMENT,
            self::C . 'message_type' => $isDeep ? 'LtiDeepLinkingRequest' : 'LtiResourceLinkRequest',
            self::C . 'target_link_uri' => "{$this->tool}/api/lti/launch",
            self::C . 'roles' => array_map(static fn(string $role): string => self::MEMBERSHIP . $role, $roles),
            self::C . 'context' => ['id' => $hint['course'] ?? 'course-5', 'title' => $hint['title'] ?? 'Reeds and rivers'],
        ] + ($isDeep ? [
            self::DL . 'deep_linking_settings' => [
                'deep_link_return_url' => "{$this->here}/back", 'accept_types' => ['ltiResourceLink'], 'accept_presentation_document_targets' => ['window'],
                'accept_lineitem' => true, 'data' => self::DATA,
            ],
        ] : [
            self::C . 'resource_link' => ['id' => "link-{$link}", 'title' => 'A film'],
            self::C . 'custom' => isset($hint['assignment']) ? ['assignment' => $hint['assignment']] : [],
            self::AGS . 'claim/endpoint' => ['scope' => [self::AGS . 'scope/score'], 'lineitem' => "{$this->here}/items/{$link}?of=course-5"],
            self::NRPS . 'claim/namesroleservice' => ['context_memberships_url' => "{$this->here}/names", 'service_versions' => ['2.0']],
        ]);
    }

    /**
     * @param array<string, string> $asked
     *
     * @return array{int, string, string, list<string>}
     */
    private function authorise(array $asked): array
    {
        $wanted = ['scope' => 'openid', 'response_type' => 'id_token', 'response_mode' => 'form_post', 'prompt' => 'none', 'client_id' => self::CLIENT, 'redirect_uri' => "{$this->tool}/api/lti/launch"];
        foreach ($wanted as $name => $value) {
            if (($asked[$name] ?? '') !== $value) {
                return [400, 'text/plain', "{$name} is not right", []];
            }
        }
        $fields = ['state' => $asked['state'] ?? '', 'id_token' => $this->message($asked)];
        $hidden = '';
        foreach ($fields as $name => $value) {
            $hidden .= '<input type="hidden" name="' . $name . '" value="' . self::plain($value) . '">';
        }

        return [200, 'text/html', '<!doctype html><title>One moment</title><form id="f" method="post" action="' . self::plain($wanted['redirect_uri']) . "\">{$hidden}</form><script>document.getElementById('f').submit()</script>", []];
    }

    /**
     * RFC 7523, and each assertion once.
     *
     * @param array<string, string> $asked
     *
     * @return array{int, string, string, list<string>}
     */
    private function token(array $asked): array
    {
        try {
            $said = JWT::decode($asked['client_assertion'] ?? '', JWK::parseKeySet(($this->toolKeys)(), 'RS256'));
        } catch (\Throwable) {
            return $this->json(['error' => 'invalid_client'], 400);
        }
        $once = 'once-' . hash('sha256', \is_string($said->jti ?? null) ? $said->jti : '');
        if (($said->iss ?? '') !== self::CLIENT || ($said->sub ?? '') !== self::CLIENT || ($said->aud ?? '') !== "{$this->here}/token" || is_file("{$this->folder}/{$once}")) {
            return $this->json(['error' => 'invalid_client'], 400);
        }
        $this->note($once, '1');
        $token = bin2hex(random_bytes(16));
        $this->note("token-{$token}", $asked['scope'] ?? '');

        return $this->json(['access_token' => $token, 'token_type' => 'Bearer', 'expires_in' => 3600, 'scope' => $asked['scope'] ?? '']);
    }

    /** @return array{int, string, string, list<string>} */
    private function score(string $path, string $body, string $authorisation): array
    {
        if (!$this->may(self::AGS . 'scope/score', $authorisation)) {
            return $this->json(['error' => 'invalid_token'], 401);
        }
        if (is_file("{$this->folder}/away")) {
            return $this->json([], 503);
        }
        $score = json_decode($body, true);
        foreach (['userId', 'timestamp', 'activityProgress', 'gradingProgress'] as $name) {
            if (!\is_array($score) || !\is_string($score[$name] ?? null)) {
                return $this->json(['missing' => $name], 400);
            }
        }
        $last = 'last-' . md5($path . $score['userId']);
        if (is_file("{$this->folder}/{$last}") && file_get_contents("{$this->folder}/{$last}") > $score['timestamp']) {
            return $this->json([], 409);
        }
        $this->note($last, $score['timestamp']);
        $this->tell('score', ['path' => $path] + $score);

        return $this->json([]);
    }

    /**
     * Two pages of students, a teacher and one who has left.
     *
     * @param array<string, string> $asked
     *
     * @return array{int, string, string, list<string>}
     */
    private function names(array $asked, string $authorisation): array
    {
        if (!$this->may(self::NRPS . 'scope/contextmembership.readonly', $authorisation)) {
            return $this->json(['error' => 'invalid_token'], 401);
        }
        $page = $asked['page'] ?? '1';
        $one = static fn(string $id, string $name, string $role = 'Learner', string $status = 'Active'): array => ['status' => $status, 'user_id' => $id, 'given_name' => $name, 'roles' => [$role]];
        $people = '1' === $page
            ? [$one('u-1', 'Ilse'), $one('u-2', 'Bram'), $one('t-1', 'Mev', 'Instructor')]
            : [$one('u-3', 'Bram'), $one('u-4', 'Gone', 'Learner', 'Inactive')];

        return $this->json(['id' => "{$this->here}/names", 'members' => $people], 200, '1' === $page ? ["Link: <{$this->here}/names?page=2>; rel=\"next\""] : []);
    }

    /** @return array{int, string, string, list<string>} */
    private function back(string $token): array
    {
        try {
            $said = (array) JWT::decode($token, JWK::parseKeySet(($this->toolKeys)(), 'RS256'));
        } catch (\Throwable $problem) {
            return [400, 'text/plain', $problem->getMessage(), []];
        }
        $right = self::CLIENT === ($said['iss'] ?? '') && $this->here === ($said['aud'] ?? '') && self::DATA === ($said[self::DL . 'data'] ?? '')
            && 'LtiDeepLinkingResponse' === ($said[self::C . 'message_type'] ?? '') && self::DEPLOYMENT === ($said[self::C . 'deployment_id'] ?? '');
        if (!$right) {
            return [400, 'text/plain', 'not as it should be', []];
        }
        $this->tell('items', $said[self::DL . 'content_items'] ?? []);

        return [200, 'text/html', '<!doctype html><title>Added</title><h1>Added to the course</h1>', []];
    }

    /**
     * Whatever it was told, in order.
     *
     * @return list<mixed>
     */
    public function told(): array
    {
        return array_values(array_map(static fn(string $line): mixed => json_decode($line, true), array_filter(explode("\n", (string) @file_get_contents("{$this->folder}/told")))));
    }

    /** The platform is away, or back. */
    public function beAway(bool $isAway): void
    {
        $isAway ? $this->note('away', '1') : @unlink("{$this->folder}/away");
    }

    private function tell(string $what, mixed $data): void
    {
        file_put_contents("{$this->folder}/told", json_encode([$what, $data], \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR) . "\n", \FILE_APPEND | \LOCK_EX);
    }

    private function may(string $scope, string $authorisation): bool
    {
        return 1 === preg_match('/^Bearer ([0-9a-f]{32})$/D', $authorisation, $found)
            && $scope === @file_get_contents("{$this->folder}/token-{$found[1]}");
    }

    private function note(string $name, string $what): string
    {
        file_put_contents("{$this->folder}/{$name}", $what, \LOCK_EX);

        return $what;
    }

    private function current(): int
    {
        return (int) @file_get_contents("{$this->folder}/current") ?: 1;
    }

    private function key(int $number): string
    {
        $file = "{$this->folder}/key-{$number}.pem";
        if (!is_file($file)) {
            openssl_pkey_export(openssl_pkey_new(['private_key_bits' => 2048]) ?: throw new \RuntimeException(), $pem);
            file_put_contents($file, $pem, \LOCK_EX);
        }

        return $file;
    }

    /** @return list<array<string, string>> */
    private function publicKeys(): array
    {
        $this->tell('keys', 1);
        $rsa = self::details((string) file_get_contents($this->key($this->current())))['rsa'];

        return [['kty' => 'RSA', 'alg' => 'RS256', 'use' => 'sig', 'kid' => "k{$this->current()}", 'n' => self::base64($rsa['n']), 'e' => self::base64($rsa['e'])]];
    }

    /** @return array{key: string, rsa: array{n: string, e: string}} */
    private static function details(string $pem): array
    {
        /** @var array{key: string, rsa: array{n: string, e: string}} $details */
        $details = openssl_pkey_get_details(openssl_pkey_get_private($pem) ?: throw new \RuntimeException());

        return $details;
    }

    /**
     * @param array<array-key, mixed> $data
     * @param list<string>            $headers
     *
     * @return array{int, string, string, list<string>}
     */
    private function json(array $data, int $status = 200, array $headers = []): array
    {
        return [$status, 'application/json', json_encode($data, \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR), $headers];
    }

    private static function plain(string $text): string
    {
        return htmlspecialchars($text, \ENT_QUOTES);
    }

    private static function base64(string $bytes): string
    {
        return rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
    }
}
