<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** What somebody is in a course of a platform, as far as it matters here. */
enum Standing: string
{
    case Teaches = 'teaches';
    /** Assists who teaches. */
    case Helps = 'helps';
    case Learns = 'learns';
    /** Observers, guests and whoever else there is. */
    case Neither = 'neither';

    private const COURSE = 'http://purl.imsglobal.org/vocab/lis/v2/membership';

    public function isStaff(): bool
    {
        return self::Teaches === $this || self::Helps === $this;
    }

    /**
     * Those in the course count, by their full names and by the short ones (LTI Core 1.3, appendix A.2.2 and A.2.3); what
     * somebody is in the whole institution does not make them teach this course.
     *
     * @param array<array-key, mixed> $roles
     */
    public static function of(array $roles): self
    {
        $found = [];
        foreach ($roles as $role) {
            if (\is_string($role)) {
                $found[] = self::named($role);
            }
        }

        return match (true) {
            // An assistant is told as an instructor too: the role has to stand beside its sub-role.
            \in_array(self::Helps, $found, true) => self::Helps,
            \in_array(self::Teaches, $found, true) => self::Teaches,
            \in_array(self::Learns, $found, true) => self::Learns,
            default => self::Neither,
        };
    }

    private static function named(string $role): self
    {
        // A sub-role is told beside its role: membership/Instructor#TeachingAssistant.
        [$main, $sub] = match (true) {
            str_starts_with($role, self::COURSE . '#') => [substr($role, \strlen(self::COURSE) + 1), ''],
            str_starts_with($role, self::COURSE . '/') => explode('#', substr($role, \strlen(self::COURSE) + 1), 2) + ['', ''],
            default => [$role, ''],
        };

        return match ($main) {
            'Instructor' => str_starts_with($sub, 'TeachingAssistant') ? self::Helps : self::Teaches,
            'ContentDeveloper', 'Administrator' => '' === $sub ? self::Teaches : self::Neither,
            'Learner' => self::Learns,
            default => self::Neither,
        };
    }
}
