<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom\Roster;

use Rhapsode\App\Account\User;
use Rhapsode\App\Shared\Csv;
use Rhapsode\Core\Classroom\OneRoster;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** A school's classes and people from its own system's files, and as such files. */
#[IsGranted('ROLE_ADMINISTRATOR')]
final readonly class RosterController
{
    /** The month in which a school year ends. */
    private const LAST_MONTH = 7;

    public function __construct(private RosterImport $import, private RosterExport $export) {}

    #[Route('/api/school/roster', name: 'bring_roster', methods: ['POST'])]
    public function bring(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] RosterFiles $files): JsonResponse
    {
        return new JsonResponse($this->import->bring($user->school, OneRoster::read($files->tables()))->toArray());
    }

    #[Route('/api/school/roster', name: 'take_roster', methods: ['GET'])]
    public function take(#[CurrentUser] User $user): JsonResponse
    {
        $now = now()->setTimezone(new \DateTimeZone('UTC'));
        $year = (int) $now->format('Y') + ((int) $now->format('n') > self::LAST_MONTH ? 1 : 0);
        $files = OneRoster::write($this->export->of($user->school), $user->school->name, $now->format('Y-m-d\TH:i:s.v\Z'), $year);

        return new JsonResponse(['files' => array_map(Csv::write(...), $files)]);
    }
}
