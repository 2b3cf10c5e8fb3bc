<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Rhapsode\Core\Message\Message;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Symfony\Component\HttpFoundation\Response;

/** The few pages between a platform and ours: no script is in them, and each may do one thing. */
final readonly class LaunchPages
{
    /** Nobody is told why: whoever looks after the platform reads it at the school. */
    public function refused(): Response
    {
        return self::page(400, 'lti.refused', '<p>' . self::said('lti.refused-hint') . '</p>');
    }

    /** In another site's frame no browser keeps a cookie of ours. */
    public function inATabOfItsOwn(string $address, Platform $platform): Response
    {
        $link = '<p><a href="' . self::plain($address) . '" target="_blank" rel="noopener">' . self::said('lti.open') . '</a></p>';

        return self::page(200, 'lti.own-tab', $link, 'frame-ancestors ' . self::site($platform->authorisation) . ' ' . self::site($platform->issuer));
    }

    /** What was chosen goes back to the platform, by its own address and by nothing else. */
    public function back(string $address, string $token, string $title): Response
    {
        $form = '<form method="post" action="' . self::plain($address) . '"><input type="hidden" name="JWT" value="' . self::plain($token) . '">'
            . '<button autofocus>' . self::said('lti.put-back') . '</button></form>';

        return self::page(200, new Message('lti.chosen', ['title' => $title]), $form, "frame-ancestors 'none'; form-action " . self::site($address));
    }

    private static function page(int $status, string|Message $title, string $body, string $more = "frame-ancestors 'none'"): Response
    {
        $said = self::said($title);
        $html = '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>' . $said . '</title>'
            . '<style>body{max-width:34rem;margin:12vh auto;padding:0 1.5rem;font:1.1rem/1.5 Georgia,serif;color:#20242b;background:#faf7f0}h1{font-size:1.6rem}'
            . 'a,button{display:inline-block;padding:.7rem 1.2rem;border:0;border-radius:6px;background:#27408b;color:#fff;font:inherit;text-decoration:none;cursor:pointer}'
            . 'a:focus-visible,button:focus-visible{outline:3px solid #b8651b;outline-offset:2px}</style>'
            . "</head><body><main><h1>{$said}</h1>{$body}</main></body></html>";

        return new Response($html, $status, [
            'Content-Type' => 'text/html; charset=UTF-8', 'Cache-Control' => 'no-store',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; {$more}",
        ]);
    }

    private static function said(string|Message $message): string
    {
        return self::plain((new IcuCatalogue())->say($message instanceof Message ? $message : new Message($message), 'en'));
    }

    private static function plain(string $text): string
    {
        return htmlspecialchars($text, \ENT_QUOTES | \ENT_SUBSTITUTE);
    }

    /** As a policy names it: scheme, host and port. */
    private static function site(string $address): string
    {
        $parts = parse_url($address);
        $host = ($parts['scheme'] ?? '') . '://' . ($parts['host'] ?? '');

        return isset($parts['port']) ? "{$host}:{$parts['port']}" : $host;
    }
}
