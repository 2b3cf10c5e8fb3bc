<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Geometry\Mount;
use Rhapsode\Core\Words\Backing;
use Rhapsode\Core\Words\CreditsWay;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\Ornament;
use Rhapsode\Core\Words\Scheme;
use Rhapsode\Core\Words\Type;
use Rhapsode\Core\Words\Weight;

/** The faces that a whole story can have, each after a craft or what it works with. */
enum StyleName: string
{
    /** Ink on paper, held together by stitches: quiet. */
    case Thread = 'thread';
    /** Fired earth, written on by hand: tender. */
    case Clay = 'clay';
    /** Chalk on a board: plain, of every day. */
    case Slate = 'slate';
    /** Cut letters: solemn. */
    case Stone = 'stone';
    /** A printed tin toy: loud. */
    case Tin = 'tin';
    /** Typed on ruled paper: dry. */
    case Ledger = 'ledger';
    /** Light in the dark: nocturnal. */
    case Lantern = 'lantern';
    /** Woven green: fresh. */
    case Reed = 'reed';

    public function scheme(): Scheme
    {
        return match ($this) {
            self::Thread => new Scheme(),
            self::Clay => new Scheme(
                new Type(Face::Hand),
                new Type(Face::Hand),
                '#F4E1D0',
                '#5B2A18',
                '#7A4A36',
                '#B5532E',
                Ornament::Dents,
                '#FFF3E6',
                '#5B2A18',
                mount: new Mount(0.03, 0.05),
                motion: 0.8,
            ),
            self::Slate => new Scheme(
                new Type(Face::Plain, Weight::Bold),
                new Type(Face::Plain, Weight::Regular),
                '#2B3538',
                '#F3F5F0',
                '#B9C6C2',
                '#9FD0C0',
                Ornament::Stroke,
                '#F3F5F0',
                '#2B3538',
                mount: new Mount(0.034, 0.0, 0.006, '#9FD0C0'),
                motion: 0.6,
            ),
            self::Stone => new Scheme(
                new Type(Face::Solemn),
                new Type(Face::Reading, Weight::Regular),
                '#D8D4CB',
                '#2E2B27',
                '#55504A',
                '#6E665C',
                Ornament::Groove,
                '#FBFAF6',
                '#2E2B27',
                Backing::Plate,
                mount: new Mount(0.04, 0.0),
                motion: 0.5,
            ),
            self::Tin => new Scheme(
                new Type(Face::Loud, Weight::Bold),
                new Type(Face::Loud),
                '#FFCE3A',
                '#1D2A5B',
                '#5A2410',
                '#C2261D',
                Ornament::Rivets,
                '#1D2A5B',
                '#FFCE3A',
                Backing::Plate,
                mount: new Mount(0.034, 0.03, 0.012, '#C2261D'),
                motion: 1.4,
            ),
            self::Ledger => new Scheme(
                new Type(Face::Typed),
                new Type(Face::Typed, Weight::Regular),
                '#F2F0E6',
                '#2A2A2A',
                '#595850',
                '#A8322A',
                Ornament::Rules,
                '#2A2A2A',
                '#F2F0E6',
                Backing::Plate,
                mount: new Mount(0.026, 0.0, 0.004, '#2A2A2A'),
                motion: 0.4,
            ),
            self::Lantern => new Scheme(
                new Type(Face::Reading, Weight::Bold),
                new Type(Face::Reading),
                '#10162A',
                '#FFE3AE',
                '#B9B3C9',
                '#FFB347',
                Ornament::Sparks,
                '#FFE3AE',
                '#10162A',
                mount: new Mount(0.018, 0.02),
                motion: 0.7,
                credits: CreditsWay::Roll,
            ),
            self::Reed => new Scheme(
                new Type(Face::Loud, Weight::Regular),
                new Type(Face::Plain),
                '#E4ECD6',
                '#21402C',
                '#4A6350',
                '#6B8F2E',
                Ornament::Weave,
                '#FFFFFF',
                '#21402C',
                Backing::Plate,
                mount: new Mount(0.03, 0.008, 0.008, '#6B8F2E'),
                motion: 1.1,
                credits: CreditsWay::Roll,
            ),
        };
    }

    /** How its slides usually give way to the next. */
    public function transition(): Transition
    {
        return match ($this) {
            self::Thread => new Transition(),
            self::Clay => new Transition(TransitionKind::Crossfade, 1.5),
            self::Slate, self::Ledger => new Transition(TransitionKind::Cut, 0.0),
            self::Stone => new Transition(TransitionKind::ThroughDark, 1.5),
            self::Tin => new Transition(TransitionKind::Sweep, 0.5),
            self::Lantern => new Transition(TransitionKind::ThroughDark, 1.0),
            self::Reed => new Transition(TransitionKind::Rise, 1.0),
        };
    }
}
