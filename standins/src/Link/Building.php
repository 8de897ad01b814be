<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

/**
 * The benches behind one port. "Alder" stands in the room that everybody shares, "Alder@7" in room 7, a laboratory of its own: what is
 * done there nobody else meets. A room is furnished when a bench of it is first asked for, and cleared a while after the last listener
 * has left; so long its benches go on, since a recorder that is started again asks for what it missed.
 */
final class Building
{
    /** What a room costs in memory is little, but not nothing. */
    private const MOST_ROOMS = 200;

    /** @var array<string, non-empty-array<string, Speaker>> by room, by name of the bench */
    private array $rooms;

    /** @var array<string, Speaker> those somebody has asked for, by full name: in the others no time passes */
    private array $asked = [];

    /** @var array<string, float> when a room was last listened to, clock on the wall in s */
    private array $heardAt = [];

    /**
     * @param  non-empty-array<string, Speaker>  $benches  of the room that everybody shares, by name
     * @param  (\Closure(): non-empty-array<string, Speaker>)|null  $furnish  the benches of another room, by name; null: there is but one
     * @param  float  $keptS  how long a room nobody listens to is kept, in s
     */
    public function __construct(array $benches, private readonly ?\Closure $furnish = null, private readonly float $keptS = Sampler::KEPT_S)
    {
        $this->rooms = ['' => $benches];
    }

    /** The full name of the bench a listener has before it names another. */
    public function first(): string
    {
        return (string) array_key_first($this->rooms['']);
    }

    /** Whether there is a bench of this full name; its room is furnished if it has to be. */
    public function has(string $name): bool
    {
        [$bench, $room] = self::placeOf($name);
        if (! isset($this->rooms[$room]) && isset($this->rooms[''][$bench]) && $this->furnish !== null && count($this->rooms) <= self::MOST_ROOMS) {
            $this->rooms[$room] = ($this->furnish)();
        }

        return isset($this->rooms[$room][$bench]);
    }

    /** Of a room that was cleared meanwhile it is furnished anew. */
    public function bench(string $name): Speaker
    {
        $this->has($name) || $name = $this->first();
        [$bench, $room] = self::placeOf($name);

        return $this->asked[$name] ??= $this->rooms[$room][$bench];
    }

    /** @return array<string, Speaker> those in which time passes, by full name */
    public function benches(): array
    {
        return $this->asked;
    }

    /** @param  list<string>  $heard  full names of the benches that are listened to now */
    public function clear(array $heard, float $now): void
    {
        // Whoever asked for a room and was gone before it was looked for has left it now.
        $this->heardAt += array_fill_keys(array_keys($this->rooms), $now);
        foreach ($heard as $name) {
            $this->heardAt[self::placeOf($name)[1]] = $now;
        }
        foreach ($this->heardAt as $room => $at) {
            $room = (string) $room;
            if ($room !== '' && $now - $at > $this->keptS) {
                unset($this->rooms[$room], $this->heardAt[$room]);
                $this->asked = array_filter($this->asked, static fn (string $name): bool => self::placeOf($name)[1] !== $room, ARRAY_FILTER_USE_KEY);
            }
        }
    }

    /** @return array{string, string} name of a bench and its room */
    private static function placeOf(string $name): array
    {
        $parts = explode('@', $name, 2);

        return [$parts[0], $parts[1] ?? ''];
    }
}
