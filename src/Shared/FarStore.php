<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Aws\S3\S3Client;
use League\Flysystem\AwsS3V3\AwsS3V3Adapter;
use League\Flysystem\Filesystem;
use League\Flysystem\FilesystemOperator;

/**
 * The object store that several computers share, by its address: `s3://KEY:SECRET@HOST[:PORT]/BUCKET[/PREFIX]?region=…`,
 * with `&tls=0` for one that is spoken to in the clear. None where the address is empty.
 */
final class FarStore
{
    public static function store(string $folder, #[\SensitiveParameter] string $address): Store
    {
        return new Store($folder, self::of($address));
    }

    public static function of(#[\SensitiveParameter] string $address): ?FilesystemOperator
    {
        if ('' === $address) {
            return null;
        }
        $parts = parse_url($address);
        if (!\is_array($parts) || 's3' !== ($parts['scheme'] ?? '') || !isset(
            $parts['host'],
            $parts['path'],
            $parts['user'],
            $parts['pass'],
        )) {
            throw new \InvalidArgumentException('STORE_URL must look like s3://KEY:SECRET@HOST/BUCKET.');
        }
        parse_str($parts['query'] ?? '', $options);
        [$bucket, $prefix] = explode('/', trim($parts['path'], '/'), 2) + [1 => ''];
        $client = new S3Client([
            'version' => '2006-03-01',
            'region' => \is_string($options['region'] ?? null) ? $options['region'] : 'us-east-1',
            'endpoint' => ('0' === ($options['tls'] ?? '1') ? 'http://' : 'https://') . $parts['host'] . (isset($parts['port']) ? ':' . $parts['port'] : ''),
            'use_path_style_endpoint' => true,
            'credentials' => ['key' => rawurldecode($parts['user']), 'secret' => rawurldecode($parts['pass'])],
            'http' => ['connect_timeout' => 5, 'timeout' => 120],
            'retries' => 4,
        ]);

        return new Filesystem(new AwsS3V3Adapter($client, $bucket, $prefix));
    }
}
