<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Rhapsode\App\Account\Code;
use Rhapsode\App\Shared\SameOrigin;
use Rhapsode\Core\Lti\LaunchFault;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * The way in from a learning platform (OpenID Connect third-party initiated login, Security Framework 1.0 §5.1.1): login, to the platform
 * and back to launch, and from there, as a page of our own, to arrive. Never in a frame of another site, where no cookie of ours is kept.
 */
final readonly class LaunchController
{
    /** Seconds in which somebody signs in at their platform. */
    private const LASTS = 1800;
    private const COOKIE = 'rhapsode_from';
    private const FRAMES = ['iframe', 'frame', 'embed', 'object'];

    public function __construct(private Launches $launches, private LaunchPages $pages, private OwnKey $key) {}

    /** What platforms check our messages by. */
    #[Route('/api/lti/keys.json', name: 'lti_keys', methods: ['GET'])]
    public function keys(): JsonResponse
    {
        return new JsonResponse(['keys' => [$this->key->public()]], headers: ['Cache-Control' => 'public, max-age=300']);
    }

    #[Route('/api/lti/login', name: 'lti_login', methods: ['GET', 'POST'], defaults: [SameOrigin::FROM_ELSEWHERE => true])]
    public function login(Request $request): Response
    {
        $told = $request->isMethod('POST') ? $request->request : $request->query;
        $asked = static fn(string $name): ?string => \is_string($told->all()[$name] ?? null) ? $told->all()[$name] : null;
        $platform = $this->launches->platform($asked('iss') ?? '', $asked('client_id'));
        $target = $asked('target_link_uri') ?? '';
        $hint = $asked('login_hint');
        if (null === $platform || null === $hint || $target !== self::target($request)) {
            return $this->pages->refused();
        }
        if (\in_array($request->headers->get('Sec-Fetch-Dest'), self::FRAMES, true)) {
            return $this->pages->inATabOfItsOwn(self::address($request, 'login') . '?' . http_build_query($told->all()), $platform);
        }
        $browser = $request->cookies->getString(self::COOKIE) ?: Code::make();
        $answer = new RedirectResponse(self::with($platform->authorisation, [
            'scope' => 'openid', 'response_type' => 'id_token', 'response_mode' => 'form_post', 'prompt' => 'none', 'client_id' => $platform->client,
            'redirect_uri' => self::address($request, 'launch'), 'login_hint' => $hint,
        ] + array_filter(['lti_message_hint' => $asked('lti_message_hint')], is_string(...)) + $this->launches->begin($platform, $target, $browser)));
        $answer->headers->setCookie(Cookie::create(self::COOKIE, $browser, time() + self::LASTS, '/api/lti/', null, $request->isSecure(), true, false, Cookie::SAMESITE_LAX));

        return $answer;
    }

    /** Posted by the platform's page: no cookie of ours comes along, and none is needed to tell whether it is to be believed. */
    #[Route('/api/lti/launch', name: 'lti_launch', methods: ['POST'], defaults: [SameOrigin::FROM_ELSEWHERE => true])]
    public function launch(Request $request): Response
    {
        $told = $request->request->all();
        $state = $told['state'] ?? null;
        $token = $told['id_token'] ?? null;
        if (!\is_string($state) || !\is_string($token) || isset($told['error'])) {
            return $this->pages->refused();
        }
        $ticket = $this->launches->come($state, $token);

        return $ticket instanceof LaunchFault ? $this->pages->refused() : new RedirectResponse('/arrive#' . $ticket, 303);
    }

    public static function browser(Request $request): string
    {
        return $request->cookies->getString(self::COOKIE);
    }

    /** Where every link of ours leads to. */
    public static function target(Request $request): string
    {
        return self::address($request, 'launch');
    }

    private static function address(Request $request, string $what): string
    {
        return "{$request->getSchemeAndHttpHost()}/api/lti/{$what}";
    }

    /** @param array<string, string> $more */
    private static function with(string $address, array $more): string
    {
        return $address . (str_contains($address, '?') ? '&' : '?') . http_build_query($more);
    }
}
