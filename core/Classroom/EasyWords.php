<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/**
 * Words for secrets: things that can be pictured, of two to eight letters, none of them like another by
 * one letter. Nothing of bodies, weapons, faith or fear is among them, since any of them may stand beside any other.
 */
final class EasyWords
{
    private const WORDS = <<<'WORDS'
        acorn album almond amber anchor animal apple apron arch artist aspen attic autumn
        badge bagel baker bamboo banjo banner barley basil basket beaver beetle bench berry bike birch bird biscuit blanket
        blossom blue boat bonnet book border bottle boulder branch brass bread brick bridge broom brush bubble bucket buckle
        bugle bundle bunny bus butter button
        cabin cactus camel camera candle canoe canvas carpet carrot cart castle cedar cello cereal chair chalk cheese cherry
        chess chimney cider circle circus clay cliff clock cloud clover coast cobweb cocoa comet copper coral cotton crayon
        cream cricket crumb crystal cup curtain cushion cycle
        daisy dance dawn deer desk diary dinner ditch dolphin donkey door dragon drawer drum duck dune dust
        eagle earth easel echo elephant elm engine evening
        fabric falcon farm feather fence fern fiddle field finch fir flag flint flower flute foal folder forest fork fossil
        fountain fox freckle frog frost fruit
        gallop garden garlic gate gecko ginger giraffe glacier glass globe gold goose grape gravel green grove guitar gull
        hammer harp hat hazel hedge helmet hen heron hill hive hockey holly honey hood horn horse hotel
        igloo indigo ink insect island ivory ivy
        jacket jam jasmine jelly jersey jewel jigsaw juggle juice juniper
        kayak kettle kitchen kite kitten kiwi koala
        ladder lake lamb lantern lark laundry lavender leaf lemon lentil letter lilac lily lime linen lion lizard lobby log
        lotus lunch
        magnet mango maple marble market meadow melon mint mirror moon morning moss moth motor muffin mule museum music mustard
        napkin needle nest noodle north notebook nutmeg
        oak oasis ocean olive onion opera orange orbit orchid otter oven owl oyster
        paint palm panda paper parade pasta path peach peanut pear pebble pedal pencil penguin pepper piano picnic pigeon pillow
        pilot pine pirate planet plaza plum pocket polka pond popcorn poplar porch postcard potato prairie prism puddle pumpkin
        puppet puppy purple puzzle
        quartz quiet
        rabbit raccoon radio radish raft rain raisin raven recipe ribbon rice ring river robin robot rope ruby ruler
        saddle saffron salad salmon salt sandal sauce scarf school scooter seal season seed shadow sheep shelf ship shirt shore
        silver skate sketch sleeve slipper snail snow soap sock sofa south spark sparrow spinach sponge spoon spring spruce
        squid stable stamp star statue stone stork straw stream street sugar summer sun swan sweater swing
        tablet teapot tennis tent thistle thread thunder ticket tiger timber toffee tomato towel toy tractor trail tray tree
        trout truck trumpet tulip tunnel turnip turtle twig
        umbrella
        velvet village violet violin voyage
        waffle wagon walnut walrus water wave wheat wheel window winter wolf wool wren
        yarn yellow yogurt
        zebra zipper
        WORDS;

    /** @return non-empty-list<string> */
    public static function all(): array
    {
        return preg_split('/\s+/', self::WORDS) ?: throw new \LogicException();
    }
}
