<?php

declare(strict_types=1);

/*
 * A small object store that speaks the part of S3's protocol which the application uses: objects are put, copied, got, looked at and
 * deleted, whole or in parts, and listed and deleted by what their keys begin with. Requests must be signed with the key OBJECT_STORE_KEY; they lie under OBJECT_STORE_FOLDER.
 *
 *     OBJECT_STORE_FOLDER=… OBJECT_STORE_KEY=… php -S 127.0.0.1:9000 tests/stand-ins/object-store.php
 */
$say = static function (int $status, string $body = '', string ...$headers): never {
    http_response_code($status);
    array_map(header(...), ['Content-Type: application/xml', ...$headers]);
    echo $body;
    exit;
};
$no = static fn(
    int $status,
    string $code,
): string => "<?xml version=\"1.0\"?><Error><Code>{$code}</Code><Message>{$code}</Message></Error>";
$folder = (string) getenv('OBJECT_STORE_FOLDER');
$sent = static fn(string $name): string => \is_string($_SERVER[$name] ?? null) ? $_SERVER[$name] : '';
$path = rawurldecode((string) parse_url($sent('REQUEST_URI'), \PHP_URL_PATH));
parse_str((string) parse_url($sent('REQUEST_URI'), \PHP_URL_QUERY), $query);
if (!str_contains($sent('HTTP_AUTHORIZATION'), 'AWS4-HMAC-SHA256 Credential=' . getenv('OBJECT_STORE_KEY') . '/')) {
    $say(403, $no(403, 'AccessDenied'));
}
if (1 === preg_match('#^/[a-z0-9-]+/?$#D', $path)) {
    $bucket = $folder . rtrim($path, '/') . '/';
    if ('GET' === $_SERVER['REQUEST_METHOD']) {
        $prefix = \is_string($query['prefix'] ?? null) ? $query['prefix'] : '';
        $at = $bucket . (str_contains($prefix, '..') ? '' : \dirname($prefix . 'x'));
        $isUrl = 'url' === ($query['encoding-type'] ?? '');
        $keys = [];
        foreach (is_dir($at) ? new RecursiveIteratorIterator(new RecursiveDirectoryIterator(
            $at,
            FilesystemIterator::SKIP_DOTS,
        )) : [] as $found) {
            $key = $found instanceof SplFileInfo ? substr($found->getPathname(), \strlen($bucket)) : '';
            if ($found instanceof SplFileInfo && str_starts_with($key, $prefix)) {
                $name = $isUrl ? rawurlencode($key) : htmlspecialchars($key);
                $written = gmdate('Y-m-d\TH:i:s.000\Z', (int) $found->getMTime());
                $keys[] = "<Contents><Key>{$name}</Key><LastModified>{$written}</LastModified></Contents>";
            }
        }
        $say(
            200,
            '<?xml version="1.0"?><ListBucketResult>' . ($isUrl ? '<EncodingType>url</EncodingType>' : '') . '<IsTruncated>false</IsTruncated>' . implode('', $keys) . '</ListBucketResult>',
        );
    }
    if ('POST' === $_SERVER['REQUEST_METHOD'] && isset($query['delete'])) {
        foreach (simplexml_load_string((string) file_get_contents('php://input'))->Object ?? [] as $object) {
            str_contains((string) $object->Key, '..') || @unlink($bucket . $object->Key);
        }
        $say(200, '<?xml version="1.0"?><DeleteResult></DeleteResult>');
    }
}
if (str_contains($path, '..') || 1 !== preg_match('#^/[a-z0-9-]+/[A-Za-z0-9_./-]+$#D', $path)) {
    $say(400, $no(400, 'InvalidRequest'));
}
$file = $folder . $path;
$upload = $folder . '/.uploads/' . preg_replace('/[^a-f0-9]/', '', \is_string($query['uploadId'] ?? null) ? $query['uploadId'] : '');
$keep = static function (string $to): string {
    if (!is_dir(\dirname($to))) {
        @mkdir(\dirname($to), 0o777, true);
    }
    $new = $to . '.' . bin2hex(random_bytes(4));
    copy('php://input', $new);
    rename($new, $to);

    return '"' . md5_file($to) . '"';
};
switch ($_SERVER['REQUEST_METHOD']) {
    case 'HEAD':
    case 'GET':
        if (!is_file($file)) {
            $say(404, 'HEAD' === $_SERVER['REQUEST_METHOD'] ? '' : $no(404, 'NoSuchKey'));
        }
        header('Content-Type: application/octet-stream');
        header('Content-Length: ' . filesize($file));
        header('ETag: "' . md5_file($file) . '"');
        header('Last-Modified: ' . gmdate(\DATE_RFC7231, (int) filemtime($file)));
        'GET' !== $_SERVER['REQUEST_METHOD'] || readfile($file);
        exit;
    case 'PUT':
        if ('' !== $sent('HTTP_X_AMZ_COPY_SOURCE')) {
            $from = '/' . ltrim(rawurldecode($sent('HTTP_X_AMZ_COPY_SOURCE')), '/');
            if (str_contains($from, '..') || !is_file($folder . $from)) {
                $say(404, $no(404, 'NoSuchKey'));
            }
            is_dir(\dirname($file)) || mkdir(\dirname($file), 0o777, true);
            copy($folder . $from, $file);
            $say(200, '<?xml version="1.0"?><CopyObjectResult><ETag>"' . md5_file($file) . '"</ETag></CopyObjectResult>');
        }
        $say(200, '', 'ETag: ' . $keep(isset($query['partNumber']) ? "{$upload}/" . (int) $query['partNumber'] : $file));
        // no break
    case 'POST':
        if (isset($query['uploads'])) {
            $id = bin2hex(random_bytes(8));
            mkdir("{$folder}/.uploads/{$id}", 0o777, true);
            $say(200, "<?xml version=\"1.0\"?><InitiateMultipartUploadResult><UploadId>{$id}</UploadId></InitiateMultipartUploadResult>");
        }
        $parts = array_map(intval(...), array_diff(scandir($upload) ?: [], ['.', '..']));
        sort($parts);
        is_dir(\dirname($file)) || mkdir(\dirname($file), 0o777, true);
        foreach ($parts as $i => $part) {
            file_put_contents($file . '.new', (string) file_get_contents("{$upload}/{$part}"), 0 === $i ? 0 : \FILE_APPEND);
            unlink("{$upload}/{$part}");
        }
        rename($file . '.new', $file);
        $say(
            200,
            '<?xml version="1.0"?><CompleteMultipartUploadResult><ETag>"' . md5_file($file) . '"</ETag></CompleteMultipartUploadResult>',
        );
        // no break
    case 'DELETE':
        @unlink($file);
        $say(204);
        // no break
    default:
        $say(405, $no(405, 'MethodNotAllowed'));
}
