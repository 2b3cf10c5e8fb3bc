<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Sound\Play;

/** Where what a film is made of lies on this machine. Each answers with the path of a file that is there. */
interface Renditions
{
    /** Names what an asset holds: the same name, the same file. (An id of a folder's names a place, where another file may lie tomorrow.) */
    public function content(string $asset): string;

    /** A prepared picture: JPEG, upright, sRGB, as its rendition says; whole ones in the film's shape. */
    public function picture(Rendition $rendition, Shape $shape): string;

    /** One of the files of a prepared picture (PreparedPicture), as it came. */
    public function file(string $asset, string $name): string;

    /** A prepared clip, of which frames are taken (PreparedClip::FULL). */
    public function clip(string $asset): string;

    /** How dark and how light a picture is, or the frame that stands for a clip; null where that is not known. */
    public function levels(string $asset): ?Levels;

    /** What is played: FLAC at 48 kHz, one channel for a voice, two for all else. */
    public function sound(Play $play): string;

    /**
     * A drawing with transparency, PNG, made the first time that it is asked for.
     *
     * @param string                $name of what is drawn and how large: the same name, the same pixels
     * @param \Closure(string): void $draw writes it
     */
    public function drawing(string $name, \Closure $draw): string;
}
