<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** Names of what a message of a learning platform says: LTI Core 1.3 §5.3, Deep Linking 2.0 §4.4, AGS 2.0 §3.1, NRPS 2.0 §3.6. */
final class Claim
{
    public const VERSION = self::LTI . 'version';
    public const MESSAGE = self::LTI . 'message_type';
    public const DEPLOYMENT = self::LTI . 'deployment_id';
    public const TARGET = self::LTI . 'target_link_uri';
    public const LINK = self::LTI . 'resource_link';
    public const COURSE = self::LTI . 'context';
    public const ROLES = self::LTI . 'roles';
    public const CUSTOM = self::LTI . 'custom';

    public const DEEP_LINKING = self::DEEP . 'deep_linking_settings';
    public const ITEMS = self::DEEP . 'content_items';
    public const DATA = self::DEEP . 'data';

    public const SCORES = 'https://purl.imsglobal.org/spec/lti-ags/claim/endpoint';
    public const NAMES = 'https://purl.imsglobal.org/spec/lti-nrps/claim/namesroleservice';

    private const LTI = 'https://purl.imsglobal.org/spec/lti/claim/';
    private const DEEP = 'https://purl.imsglobal.org/spec/lti-dl/claim/';
}
