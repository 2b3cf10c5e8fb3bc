<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** Somebody who comes from a platform, as it says and after everything of it was checked. */
final readonly class Launch
{
    public function __construct(
        public string $deployment,
        public string $subject,
        public Standing $standing,
        /** What they are called there; '' where the platform does not tell. */
        public string $name,
        public ?string $course,
        public string $courseTitle,
        /** The link that they followed; null where they are to choose one. */
        public ?string $link,
        /** The assignment that the link was made for here, by its id; null for a link made by hand. */
        public ?string $assignment,
        /** Where scores go; null where the platform takes none of this link. */
        public ?string $scores,
        /** Where the course's people are told; null where they are not. */
        public ?string $names,
        public ?DeepLinking $deepLinking,
    ) {}
}
