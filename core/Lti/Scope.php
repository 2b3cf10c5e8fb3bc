<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** What a platform may let a tool do: AGS 2.0 §3.4 and §3.5, NRPS 2.0 §3.6.1.2. */
enum Scope: string
{
    case Score = 'https://purl.imsglobal.org/spec/lti-ags/scope/score';
    case Names = 'https://purl.imsglobal.org/spec/lti-nrps/scope/contextmembership.readonly';
}
