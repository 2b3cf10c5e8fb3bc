<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\SecondStep\OwnPassword;
use Rhapsode\App\Account\SecondStep\SecondStep;
use Rhapsode\App\Account\SecondStep\SecondStepCode;
use Rhapsode\App\Shared\Problem;
use Rhapsode\Core\Classroom\OneTimeCode;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\RateLimiter\RateLimiterFactoryInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** One's own account, of grown-ups: its password, and a second step. With each change whoever is in elsewhere is out. */
#[IsGranted('ROLE_TEACHER')]
final readonly class AccountController
{
    /** Where a secret waits, in a session, until the first code of a device is typed. */
    private const WAITING = 'second-step';
    private const STEP = '/api/account/second-step';

    public function __construct(
        private EntityManagerInterface $entities,
        private UserPasswordHasherInterface $hasher,
        private SecondStep $step,
        private Security $security,
        #[Autowire(service: 'limiter.own_password')]
        private RateLimiterFactoryInterface $wrongPasswords,
    ) {}

    #[Route('/api/account', name: 'account', methods: ['GET'])]
    public function read(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse([
            'firstName' => $user->firstName, 'name' => $user->name, 'school' => $user->school->name,
            'hasSecondStep' => null !== $user->secondStep, 'spares' => \count($user->spares),
        ]);
    }

    #[Route('/api/account/password', name: 'new_password', methods: ['PUT'])]
    public function password(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] NewPassword $new): JsonResponse
    {
        $wrong = $this->wrong($user, $new->now);
        if (null !== $wrong) {
            return $wrong;
        }
        $user->password = $this->hasher->hashPassword($user, $new->next);
        $this->entities->flush();

        return $this->stays($user);
    }

    /** A secret for a device: it is asked for when the device has shown that it has it. */
    #[Route(self::STEP, name: 'show_second_step', methods: ['POST'])]
    public function show(#[CurrentUser] User $user, Request $request): JsonResponse
    {
        if (null !== $user->secondStep) {
            throw new Refused('account.step-is-on');
        }
        $secret = SecondStep::secret();
        $request->getSession()->set(self::WAITING, bin2hex($secret));

        return new JsonResponse([
            'secret' => implode(' ', str_split(OneTimeCode::letters($secret), 4)),
            'address' => OneTimeCode::address($secret, $user->name ?? ''),
        ], 201);
    }

    #[Route(self::STEP, name: 'begin_second_step', methods: ['PUT'])]
    public function begin(#[CurrentUser] User $user, Request $request, #[MapRequestPayload(acceptFormat: 'json')] SecondStepCode $told): JsonResponse
    {
        $waiting = $request->getSession()->get(self::WAITING);
        if (!\is_string($waiting)) {
            throw new Refused('account.step-not-begun');
        }
        $spares = $this->step->begin($user, (string) hex2bin($waiting), $told->code) ?? throw new Malformed('account.wrong-code');
        $request->getSession()->remove(self::WAITING);
        $this->stays($user);

        return new JsonResponse(['spares' => $spares]);
    }

    #[Route(self::STEP . '/end', name: 'end_second_step', methods: ['POST'])]
    public function end(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] OwnPassword $told): JsonResponse
    {
        $wrong = $this->wrong($user, $told->password);
        if (null !== $wrong) {
            return $wrong;
        }
        $this->step->end($user);

        return $this->stays($user);
    }

    /** What is changed here would lock somebody out of their own: whoever sits down at an open page cannot, nor guess how to. */
    private function wrong(User $user, #[\SensitiveParameter] string $password): ?Problem
    {
        $limiter = $this->wrongPasswords->create((string) $user->id);
        if ($limiter->consume(0)->getRemainingTokens() < 1) {
            return new Problem(429, 'account.too-often');
        }
        if ($this->hasher->isPasswordValid($user, $password)) {
            return null;
        }
        $limiter->consume();

        return new Problem(422, 'account.wrong-password');
    }

    /** Whoever made the change is not signed out by it. */
    private function stays(User $user): JsonResponse
    {
        $this->security->login($user, 'json_login');

        return $this->read($user);
    }
}
