<?php

declare(strict_types=1);

namespace App\Watching;

/**
 * What is typed to see a board: two words and three digits, read out in a breath. There are 28 million of them, wrong ones are
 * counted (WatchDoor), and each holds for a lesson only.
 */
final class WatchCode
{
    private const WORDS = 'acorn amber anvil apple apron arrow aspen barge barley barn basil basin basket bean bell birch '
        .'bloom board boat bread breeze brick bridge brook broom brush bucket butter button candle canvas carrot cedar cellar chalk cherry '
        .'chest churn cider cloud clover comb copper corn cotton cream crocus crown curd daisy dale dawn deer ditch dough dove '
        .'drum duck dune eagle elder elm ember fable falcon farm fawn feather fence fern field finch flint flour flute forest '
        .'fox frost garden garlic gate ginger glade glass globe goat goose grain grape grass grove gull hammer harbor harp hatch '
        .'hawk hazel heath hedge heron hill hive honey hoop horn horse ice ink iris iron island ivy jar jug kettle '
        .'kite ladder lake lamb lantern lark leaf lemon lentil lilac lily linen lion loaf loom maple marble marsh meadow melon '
        .'milk mill mint mist moon moss moth mug needle nest nettle nut oak oat olive onion orchard otter owl paddle '
        .'paper parsley pasture peach pear pebble pepper pine plum pond poppy quail quartz quill rabbit radish rain raven reed river robin';

    private const LETTERS = '/^([A-Z]{3,8})[^A-Z0-9]*([A-Z]{3,8})[^A-Z0-9]*([1-9][0-9]{2})$/';

    public static function random(): string
    {
        $words = explode(' ', self::WORDS);
        $word = static fn (): string => strtoupper($words[random_int(0, count($words) - 1)]);

        return "{$word()}-{$word()}-".random_int(100, 999);
    }

    /** As it is kept, however it was typed: "plum fern 472". Null if it cannot be one. */
    public static function typed(string $typed): ?string
    {
        $letters = strtoupper(trim($typed));
        if (preg_match(self::LETTERS, $letters, $match) === 1) {
            return "{$match[1]}-{$match[2]}-{$match[3]}";
        }

        return null;
    }

    /** How many there are. */
    public static function count(): int
    {
        return count(explode(' ', self::WORDS)) ** 2 * 900;
    }
}
