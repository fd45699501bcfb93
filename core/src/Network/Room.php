<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\FixtureGroups;

/**
 * The fixtures of one room that discharge into a pipe, with what each of them loads it with. Of each kind one belongs
 * to a group; what is there beside it counts by itself.
 */
final class Room
{
    /** @var array<string, list<float>> by kind */
    private array $loads = [];

    /** The variant of its first closet; null: it has none. */
    private ?string $closet = null;

    /** Takes a fixture with its own load. */
    public function add(LoadedFixture $head, float $load): void
    {
        $this->loads[$head->fixture->kind->value][] = $load;
        $this->closet ??= $head->isCloset() ? $head->fixture->variant->value ?? '' : null;
    }

    /** Gives what its fixtures count: each group of them together where that is less. */
    public function load(FixtureGroups $wholes): float
    {
        $sum = (float) array_sum(array_map(array_sum(...), $this->loads));
        $groups = [
            [['water-closet', 'lavatory', 'bath', 'shower', 'bidet'], $this->bathroom($wholes)],
            [['kitchen-sink', 'dishwasher'], $wholes->kitchen],
            [['clothes-washer', 'laundry-tub'], $wholes->laundry],
        ];
        foreach ($groups as [$kinds, $whole]) {
            $own = array_intersect_key($this->loads, array_flip($kinds));
            $parts = (float) array_sum(array_map(static fn (array $of): float => $of[0], $own));
            $sum -= $whole === null || count($own) < 2 ? 0.0 : max(0.0, $parts - $whole);
        }

        return $sum;
    }

    /** Gives 1 where it is a whole bathroom that the rulebook counts as one, 0.5 where half of one, else 0. */
    public function bathrooms(FixtureGroups $wholes): float
    {
        if (! isset($this->loads['water-closet'], $this->loads['lavatory'], $wholes->bathrooms[$this->closet ?? ''])) {
            return 0.0;
        }
        if (isset($this->loads['bath']) || isset($this->loads['shower'])) {
            return 1.0;
        }

        return $wholes->half === null || isset($this->loads['bidet']) ? 0.0 : 0.5;
    }

    /** What a bathroom counts together, or half of one. */
    private function bathroom(FixtureGroups $wholes): ?float
    {
        return match ($this->bathrooms($wholes)) {
            1.0 => $wholes->bathrooms[$this->closet ?? ''] ?? null,
            0.5 => $wholes->half,
            default => null,
        };
    }
}
