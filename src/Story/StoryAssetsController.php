<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Asset\Assets;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Problem;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\Around;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Prepare\PreparedClip;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What is on its way into a story, and what was made of what it has. */
#[Route('/api/stories/{id}/assets', requirements: ['id' => Requirement::UUID])]
#[IsGranted(StoryVoter::OWN, 'story')]
final readonly class StoryAssetsController
{
    /** One that is over is told for so long. */
    private const TOLD = '-1 hour';

    public function __construct(
        private EntityManagerInterface $entities,
        private Assets $assets,
        private AssetFiles $files,
        private Store $store,
    ) {}

    #[Route('', name: 'begin_asset', methods: ['POST'])]
    public function begin(#[MapEntity] StoryRecord $story, #[MapRequestPayload(acceptFormat: 'json')] NewAsset $new, #[CurrentUser] User $user): JsonResponse
    {
        if ($new->bytes > $new->kind->mostBytes()) {
            return new Problem(413, $new->kind->tooLarge());
        }
        $asset = $this->assets->begin(
            $user,
            $story->id,
            $new->kind,
            $new->file,
            $new->slide,
            $new->after,
            $new->beside,
            $new->layer,
            null === $new->around ? null : Around::read(Fields::of($new->around, 'around.')),
        );

        return new JsonResponse($asset->toArray() + ['parts' => []], 201);
    }

    /** In the order in which it was begun. */
    #[Route('', name: 'assets', methods: ['GET'])]
    public function all(#[MapEntity] StoryRecord $story): JsonResponse
    {
        /** @var list<AssetRecord> $assets */
        $assets = $this->entities->createQuery(
            'SELECT a FROM ' . AssetRecord::class . ' a WHERE a.place = :place AND a.begunAt > :since ORDER BY a.id',
        )
            ->setParameter('place', $story->id, 'uuid')->setParameter('since', new \DateTimeImmutable(self::TOLD))->getResult();

        return new JsonResponse(array_map(static fn(AssetRecord $asset): array => $asset->toArray(), $assets));
    }

    /** How dark and how light a picture is: what is measured of it never changes. */
    #[Route('/{asset}/levels.json', name: 'asset_levels', methods: ['GET'], requirements: ['asset' => Requirement::UUID])]
    public function levels(#[MapEntity] StoryRecord $story, string $asset): JsonResponse
    {
        $levels = null === $story->story()->picture($asset) ? null : $this->files->levels($asset);

        return new JsonResponse($levels?->toArray() ?? throw new NotFoundHttpException());
    }

    /** A picture's rendition, a voice, music as it is heard in the page. */
    #[Route(
        '/{asset}/{name}',
        name: 'asset_file',
        methods: ['GET'],
        requirements: [
            'asset' => Requirement::UUID,
            'name' => 'clip\.mp4|strip\.jpg|cutout\.png|(full|thumb|whole(-thumb)?(-g[0-9a-f]{6})?)(-(t(90|180|270)|r[0-9a-f]{16}))?\.jpg|voice\.flac|untouched\.flac|music\.ogg',
        ],
    )]
    public function file(#[MapEntity] StoryRecord $story, string $asset, string $name): Response
    {
        $document = $story->story();
        [$key, $type] = match (true) {
            'voice.flac' === $name => [null === $document->voice($asset) ? null : AssetFiles::voice($asset), 'audio/flac'],
            'untouched.flac' === $name => [
                ($document->voice($asset)->cleaned ?? 0.0) > 0.0 ? AssetFiles::voice($asset, AssetFiles::UNTOUCHED) : null,
                'audio/flac',
            ],
            'clip.mp4' === $name => [self::clip($document, $asset, PreparedClip::LIGHT), 'video/mp4'],
            'strip.jpg' === $name => [self::clip($document, $asset, PreparedClip::STRIP), 'image/jpeg'],
            'cutout.png' === $name => [
                true === $document->picture($asset)?->transparent ? AssetFiles::picture($asset, PreparedPicture::CUTOUT) : null,
                'image/png',
            ],
            'music.ogg' === $name => [
                self::isSilent($document, $asset) ? null : AssetFiles::music($asset, MeasuredMusic::LIGHT),
                'audio/ogg',
            ],
            default => [$this->rendition($document, $asset, substr($name, 0, -4)), 'image/jpeg'],
        };

        return Media::of($this->store, $key ?? throw new NotFoundHttpException(), $type);
    }

    private static function clip(Story $document, string $asset, string $file): ?string
    {
        return null === $document->picture($asset)?->clip ? null : AssetFiles::clip($asset, $file);
    }

    private static function isSilent(Story $document, string $asset): bool
    {
        return null === $document->music($asset) && null === $document->picture($asset)?->clip?->loudness;
    }

    /** A frame of a clip becomes a picture on a slide of its own. */
    #[Route('/{asset}/frames', name: 'take_frame', methods: ['POST'], requirements: ['asset' => Requirement::UUID])]
    public function take(
        #[MapEntity]
        StoryRecord $story,
        string $asset,
        #[MapRequestPayload(acceptFormat: 'json')]
        NewFrame $new,
        #[CurrentUser]
        User $user,
    ): JsonResponse {
        $clip = $story->story()->picture($asset);
        if (null === $clip?->clip) {
            throw new NotFoundHttpException();
        }
        if ($new->frame >= $clip->clip->frames) {
            throw new Refused('clip.no-such-frame');
        }
        $file = \sprintf('%s %04d.png', pathinfo($clip->file, \PATHINFO_FILENAME), $new->frame);
        $made = $this->assets->take($user, $story->id, $asset, $new->frame, $file, $new->slide, $new->after);

        return new JsonResponse($made->toArray() + ['parts' => []], 201);
    }

    /** Only what the story shows, or has shown, is made: whoever asks cannot have as much made as they like. */
    private function rendition(Story $document, string $asset, string $name): ?string
    {
        if (null === $document->picture($asset)) {
            return null;
        }
        $words = explode('-', $name);
        $key = 1 === preg_match('/^[rt][0-9a-f]+$/D', end($words)) ? array_pop($words) : '';
        $ground = 1 === preg_match('/^g[0-9a-f]{6}$/D', (string) end($words)) ? '#' . substr((string) array_pop($words), 1) : null;
        $form = 'whole' === $words[0] ? Form::Whole : Form::Full;
        $recipe = match (true) {
            '' === $key => new Recipe(),
            't' === $key[0] => new Recipe((int) substr($key, 1)),
            default => $document->recipe($asset, $key),
        };

        return null === $recipe || (null !== $ground && !$document->lays($asset, $ground))
            ? $this->files->known($asset, $name, $document->shape)
            : $this->files->rendition(new Rendition($asset, $recipe, $form, $ground), $document->shape, 'thumb' === end($words));
    }
}
