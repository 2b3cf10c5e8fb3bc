<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Layer\Icon\Tint;
use Rhapsode\Studio\Icon\IconDrawings;
use Rhapsode\Studio\Icon\IconSearch;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The open set of icons that stories may use: found by words, and each as it is drawn. */
#[Route('/api/icons')]
#[IsGranted('ROLE_USER')]
final readonly class IconController
{
    private const MOST = 48;
    private const COLOUR = '/^[0-9a-f]{6}$/D';

    #[Route('.json', name: 'icons', methods: ['GET'])]
    public function find(#[MapQueryParameter] string $words = '', #[MapQueryParameter] string $language = 'en'): JsonResponse
    {
        return new JsonResponse(IconSearch::find(mb_substr($words, 0, Limits::TITLE), mb_substr($language, 0, Limits::LANGUAGE), self::MOST));
    }

    /** What is drawn under a name never changes. */
    #[Route('/{name}.svg', name: 'icon', methods: ['GET'], requirements: ['name' => '[a-z0-9-]{1,80}'])]
    public function show(
        string $name,
        #[MapQueryParameter(filter: \FILTER_VALIDATE_REGEXP, options: ['regexp' => self::COLOUR])]
        ?string $dark = null,
        #[MapQueryParameter(filter: \FILTER_VALIDATE_REGEXP, options: ['regexp' => self::COLOUR])]
        ?string $mid = null,
        #[MapQueryParameter(filter: \FILTER_VALIDATE_REGEXP, options: ['regexp' => self::COLOUR])]
        ?string $light = null,
    ): SvgResponse {
        $tint = null === $dark || null === $mid || null === $light ? null : new Tint("#{$dark}", "#{$mid}", "#{$light}");
        $svg = IconDrawings::svg($name, $tint) ?? throw new NotFoundHttpException();

        return new SvgResponse($svg);
    }
}
