<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** Why a message of a platform is not believed (LTI Core 1.3 §5.3, Security Framework 1.0 §5.1.3): told to who looks after the server, not to who came. */
enum LaunchFault: string
{
    case Shape = 'shape';
    case Algorithm = 'algorithm';
    case KeyUnnamed = 'key-unnamed';
    case KeyUnknown = 'key-unknown';
    case Signature = 'signature';
    case Issuer = 'issuer';
    case Audience = 'audience';
    case AuthorisedParty = 'authorised-party';
    case Time = 'time';
    case Nonce = 'nonce';
    case Deployment = 'deployment';
    case Version = 'version';
    case Message = 'message';
    case Subject = 'subject';
    case Roles = 'roles';
    case Link = 'resource-link';
    case Target = 'target';
    case DeepLinking = 'deep-linking';
    case Address = 'address';
    /** The state was none of ours, too old, or taken before. */
    case State = 'state';
    case AnotherBrowser = 'another-browser';
    /** The platform itself says that it went wrong. */
    case Refused = 'refused';
}
