<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\FixtureGroups;

/** The fixtures of one room that discharge into a pipe, with what each kind of them loads it with. */
final class Room
{
    /** @var array<string, float> by kind */
    private array $loads = [];

    /** The variant of its closet; null: it has none. */
    private ?string $closet = null;

    /** Takes a fixture with its own load. */
    public function add(LoadedFixture $head, float $load): void
    {
        $kind = $head->fixture->kind->value;
        $this->loads[$kind] = ($this->loads[$kind] ?? 0.0) + $load;
        $this->closet = $head->isCloset() ? $head->fixture->variant->value ?? '' : $this->closet;
    }

    /** Gives what its fixtures count: each group of them together where that is less. */
    public function load(FixtureGroups $wholes): float
    {
        $bathroom = match ($this->bathrooms($wholes)) {
            1.0 => $wholes->bathrooms[$this->closet ?? ''] ?? null,
            0.5 => $wholes->half,
            default => null,
        };

        // Half a bathroom is a closet and a lavatory; to a whole one belong bath, shower and bidet.
        $isHalf = $this->bathrooms($wholes) === 0.5;
        $more = ['bath', 'shower', 'bidet'];

        return $this->least(['water-closet', 'lavatory', ...$isHalf ? [] : $more], $bathroom) +
            ($isHalf ? $this->least($more, null) : 0.0) +
            $this->least(['kitchen-sink', 'dishwasher'], $wholes->kitchen) +
            $this->least(['clothes-washer', 'laundry-tub'], $wholes->laundry) +
            $this->others();
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

        return $wholes->half === null ? 0.0 : 0.5;
    }

    /**
     * @param list<string> $kinds
     * @param ?float $whole what they count together; null: their sum
     */
    private function least(array $kinds, ?float $whole): float
    {
        $own = array_intersect_key($this->loads, array_flip($kinds));
        $sum = (float) array_sum($own);

        return $whole === null || count($own) < 2 ? $sum : min($sum, $whole);
    }

    private function others(): float
    {
        $grouped = [
            'water-closet',
            'lavatory',
            'bath',
            'shower',
            'bidet',
            'kitchen-sink',
            'dishwasher',
            'clothes-washer',
            'laundry-tub',
        ];

        return (float) array_sum(array_diff_key($this->loads, array_flip($grouped)));
    }
}
