<?php

declare(strict_types=1);

// Serves the stand-in for a learning platform: PLATFORM_TOOL=http://127.0.0.1:8080 PLATFORM_FOLDER=… php -S localhost:18901 platform.php

use Rhapsode\Tests\StandIns\LearningPlatform;

require __DIR__ . '/../../vendor/autoload.php';

$tool = (string) getenv('PLATFORM_TOOL');
$of = static fn(string $name): string => \is_string($_SERVER[$name] ?? null) ? $_SERVER[$name] : '';
$keys = static function () use ($tool): array {
    /** @var array<string, mixed> $keys */
    $keys = (array) json_decode((string) file_get_contents("{$tool}/api/lti/keys.json"), true);

    return $keys;
};
$platform = new LearningPlatform((string) getenv('PLATFORM_FOLDER'), "http://{$of('HTTP_HOST')}", $tool, $keys);
[$status, $type, $body, $headers] = $platform->answer(
    $of('REQUEST_METHOD'),
    (string) parse_url($of('REQUEST_URI'), \PHP_URL_PATH),
    $_GET,
    $_POST,
    (string) file_get_contents('php://input'),
    $of('HTTP_AUTHORIZATION'),
);
http_response_code($status);
header("Content-Type: {$type}");
foreach ($headers as $header) {
    header($header, false);
}
echo $body;
