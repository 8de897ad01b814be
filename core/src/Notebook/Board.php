<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;

/** One to four tiles for the projector and the devices of a class. */
final readonly class Board
{
    /** @param  list<Tile>  $tiles  one for each place of the arrangement */
    private function __construct(public Arrangement $arrangement, public array $tiles)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  arrangement, tiles [{shows, columns, from, to}]
     *
     * @throws InvalidQuantity If it cannot be; the message says what.
     */
    public static function fromArray(array $data): self
    {
        $fields = new Fields($data);
        $arrangement = Arrangement::tryFrom($fields->text('arrangement'))
            ?? throw new InvalidQuantity("A board has one, two, three or four places, not \"{$fields->text('arrangement')}\".");
        $tiles = array_map(Tile::of(...), $fields->things('tiles'));
        if (count($tiles) !== $arrangement->places()) {
            throw new InvalidQuantity("This arrangement has {$arrangement->places()} places, but ".count($tiles).' tiles were given.');
        }

        return new self($arrangement, $tiles);
    }

    /** What a class looks at first: the figure, the value now, and the rows. */
    public static function ready(): self
    {
        return self::fromArray(['arrangement' => Arrangement::Three->value, 'tiles' => array_map(
            static fn (TileKind $kind): array => ['shows' => $kind->value], [TileKind::Figure, TileKind::Readout, TileKind::Table],
        )]);
    }

    /** @return list<string> symbols that its tiles name */
    public function columns(): array
    {
        return array_values(array_unique(array_merge(...array_map(static fn (Tile $t): array => $t->columns, $this->tiles))));
    }

    /** The same after a column has got another symbol. */
    public function renamed(string $from, string $to): self
    {
        return new self($this->arrangement, array_map(static fn (Tile $t): Tile => $t->renamed($from, $to), $this->tiles));
    }

    /** @return array{arrangement: string, tiles: list<array<string, mixed>>} */
    public function toArray(): array
    {
        return ['arrangement' => $this->arrangement->value, 'tiles' => array_map(static fn (Tile $t): array => $t->toArray(), $this->tiles)];
    }
}
