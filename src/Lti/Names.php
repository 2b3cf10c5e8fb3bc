<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Enrolment;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Lti\Scope;
use Rhapsode\Core\Lti\Standing;

/** The students of a platform's course come into its class before any of them has been here: Names and Role Provisioning Services 2.0. */
final readonly class Names
{
    private const TYPE = 'application/vnd.ims.lti-nrps.v2.membershipcontainer+json';
    private const PAGES = 20;

    public function __construct(private EntityManagerInterface $entities, private Wire $wire, private Bearer $bearer, private Enrolment $enrolment, private Newcomers $newcomers) {}

    /** The course that tells who is in a class; null where none does. */
    public function courseOf(Classroom $classroom): ?Course
    {
        foreach ($this->entities->getRepository(Course::class)->findBy(['classroom' => $classroom]) as $course) {
            if (null !== $course->names) {
                return $course;
            }
        }

        return null;
    }

    /**
     * Nobody is taken out, and twice is once.
     *
     * @return int how many came in
     *
     * @throws Refused where the platform does not tell
     */
    public function bring(Classroom $classroom): int
    {
        $course = $this->courseOf($classroom) ?? throw new Refused('lti.no-names');
        try {
            $learners = $this->learners($course);
        } catch (WireFailed) {
            throw new Refused('lti.names-not-told');
        }

        return $this->entities->wrapInTransaction(function () use ($course, $classroom, $learners): int {
            $this->entities->refresh($course->platform, LockMode::PESSIMISTIC_WRITE);
            $came = 0;
            foreach ($learners as $subject => $name) {
                $subject = (string) $subject;
                $known = $this->entities->getRepository(KnownPerson::class)->findOneBy(['platform' => $course->platform, 'subject' => $subject]);
                if (null !== $known) {
                    $came += Role::Student === $known->person->role && $this->enrolment->take($classroom, $known->person) ? 1 : 0;
                    continue;
                }
                $student = $this->newcomers->of($course->platform, $subject, $name, Role::Student);
                $came += $this->enrolment->take($classroom, $student) ? 1 : 0;
            }

            return $came;
        });
    }

    /**
     * @return array<array-key, string> what they are called, by their subjects
     *
     * @throws WireFailed
     */
    private function learners(Course $course): array
    {
        $headers = ['Accept' => self::TYPE] + $this->bearer->headers($course->platform, Scope::Names);
        $learners = [];
        $next = $course->names;
        for ($page = 0; null !== $next && $page < self::PAGES; ++$page) {
            // Where the rest is, is the platform's to say; our leave is for the one that told us of itself.
            if (parse_url($next, \PHP_URL_HOST) !== parse_url((string) $course->names, \PHP_URL_HOST)) {
                throw new WireFailed('The rest is said to be elsewhere.');
            }
            [$told, $next] = $this->wire->read($next, $headers);
            foreach (\is_array($told['members'] ?? null) ? $told['members'] : [] as $one) {
                $learners += \is_array($one) ? self::learner($one) : [];
            }
            if (\count($learners) > Limits::STUDENTS) {
                throw new Refused('lti.too-many-names');
            }
        }

        return $learners;
    }

    /**
     * @param array<array-key, mixed> $one
     *
     * @return array<string, string>
     */
    private static function learner(array $one): array
    {
        $subject = $one['user_id'] ?? null;
        $name = $one['given_name'] ?? $one['name'] ?? '';
        $roles = $one['roles'] ?? [];
        $isIn = 'Active' === ($one['status'] ?? 'Active') && Standing::Learns === Standing::of(\is_array($roles) ? $roles : []);
        if (!$isIn || !\is_string($subject) || '' === $subject || \strlen($subject) > Limits::PLATFORM_ID) {
            return [];
        }
        return [$subject => \is_string($name) ? $name : ''];
    }
}
