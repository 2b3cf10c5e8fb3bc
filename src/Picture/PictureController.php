<?php

declare(strict_types=1);

namespace Rhapsode\App\Picture;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Shared\Turnstile;
use Rhapsode\App\Story\Stories;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StoryView;
use Rhapsode\App\Story\StoryVoter;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Edit\AddPicture;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

#[Route('/api/stories/{id}/pictures', requirements: ['id' => Requirement::UUID])]
#[IsGranted(StoryVoter::OWN, 'story')]
final readonly class PictureController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private PictureFiles $files,
        private Stories $stories,
        private StoryView $view,
        private Store $store,
        private Turnstile $turnstile,
        #[Autowire('%kernel.project_dir%')]
        private string $projectFolder,
    ) {}

    /**
     * Takes one file in. `slide` is the id of the slide that will show it, `after` the slides it should follow, the nearest
     * first: files sent side by side keep their order. The same file twice is noticed and not doubled.
     */
    #[Route('', name: 'add_picture', methods: ['POST'])]
    public function add(#[MapEntity] StoryRecord $story, Request $request): JsonResponse
    {
        $file = $request->files->get('file');
        if (!$file instanceof UploadedFile || !$file->isValid()) {
            throw new Unreadable('This picture did not arrive whole, or is larger than 60 MB. Try it again.');
        }
        $fields = Fields::of(['slide' => $request->request->get('slide'), 'after' => array_values(array_filter(explode(',', (string) $request->request->get('after'))))]);
        $slide = $fields->id('slide');
        $hash = (string) hash_file('sha256', $file->getPathname());

        return $this->turnstile->through((string) $story->owner->id, "picture {$story->id} {$hash}", fn(): JsonResponse => $this->takeIn($story, $file, $hash, $slide, $fields->ids('after')));
    }

    /** @param list<string> $places the slides it should follow, the nearest first */
    private function takeIn(StoryRecord $story, UploadedFile $file, string $hash, string $slide, array $places): JsonResponse
    {
        $known = $this->entities->getRepository(PictureRecord::class)->findOneBy(['story' => $story, 'hash' => $hash]);
        $this->entities->refresh($story);
        if (null !== $known && null !== $story->story()->picture((string) $known->id)) {
            if ($story->story()->slide($slide)?->picture()?->asset === (string) $known->id) {
                // It was taken in, and only the answer was lost on its way.
                return new JsonResponse(['picture' => (string) $known->id, 'story' => $this->view->of($story, $story->owner)], 201);
            }

            return new JsonResponse(['same' => (string) $known->id, 'file' => $known->file]);
        }
        $name = mb_substr(basename(str_replace('\\', '/', $file->getClientOriginalName())), 0, 200);
        $record = $known ?? new PictureRecord($story, $hash, '' === $name || !mb_check_encoding($name, 'UTF-8') ? 'picture' : $name);
        $id = (string) $record->id;
        $size = $this->prepare($file->getPathname(), $this->files->folder($id));
        $this->files->share($id);
        $this->entities->persist($record);
        $this->entities->flush();
        $this->stories->edit($story, [new AddPicture(new Picture($id, $record->file, $size['width'], $size['height']), $slide, $places)], null, $story->owner);

        return new JsonResponse(['picture' => $id, 'story' => $this->view->of($story, $story->owner)], 201);
    }

    #[Route('/{picture}/{rendition}.jpg', name: 'picture', methods: ['GET'], requirements: ['picture' => Requirement::UUID, 'rendition' => '(full|whole|thumb|whole-thumb)(-t(90|180|270))?'])]
    public function show(#[MapEntity] StoryRecord $story, string $picture, string $rendition): Response
    {
        $document = $story->story();
        if (null === $document->picture($picture)) {
            throw new NotFoundHttpException();
        }

        return Media::of($this->store, $this->files->key($picture, $rendition, $document->shape), 'image/jpeg');
    }

    /**
     * In a process of its own, under limits of time and memory: what is hostile or too much ends that process only.
     *
     * @return array{width: int, height: int}
     *
     * @throws Unreadable
     */
    private function prepare(string $path, string $folder): array
    {
        try {
            [$said] = Tool::run([\PHP_BINDIR . '/php', $this->projectFolder . '/bin/rhapsode', 'prepare', $path, $folder], 60, 3500);
            $answer = Fields::of(json_decode($said, true, 4));
        } catch (ToolFailed) {
            (new Filesystem())->remove($folder);

            throw new Unreadable('This picture is too large or too odd to be opened here. Save a smaller copy as JPEG and bring that in.');
        }
        if ($answer->has('problem')) {
            (new Filesystem())->remove($folder);

            throw new Unreadable($answer->text('problem'));
        }

        return ['width' => $answer->whole('width', 1, 1_000_000), 'height' => $answer->whole('height', 1, 1_000_000)];
    }
}
