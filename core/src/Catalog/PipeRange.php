<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Tolerance;

/**
 * The outside diameters that one side of a coupling or a gasket takes: the envelope of the pipes that it is made for
 * with their tolerances,
 * unless the range printed on the part was entered. Lengths in mm.
 */
final readonly class PipeRange implements Storable
{
    use StoredRow;

    /**
     * @param list<string> $kinds region and material of the pipes that it is made for: `us:iron`
     * @param list<string> $names what those pipes are called on site
     * @param list<string> $pipes system and size of each: `ci-no-hub/4`
     */
    private function __construct(
        public float $lowMm,
        public float $highMm,
        public array $kinds,
        public array $names,
        public array $pipes,
    ) {}

    /**
     * Takes the list of pipes that a side is made for.
     *
     * @param array<array-key, mixed> $named objects of `{system, size}`
     * @param string $at their place, for what is wrong
     * @param ?float $low measured, in place of the derived limit
     * @param ?float $high measured
     *
     * @throws BadInput if a pipe is not in the catalogue
     */
    public static function read(
        array $named,
        string $at,
        PipeSystems $systems,
        ?float $low = null,
        ?float $high = null,
    ): self {
        [$lowest, $highest, $kinds, $names, $pipes] = [INF, 0.0, [], [], []];
        foreach ($named as $pair) {
            [$system, $size] = self::pipe($pair, $at, $systems);
            [$least, $most] =
                $system->limitsMm($size) ?? throw BadInput::at("{$at}.size", 'is no size of that system', $size);
            $lowest = min($lowest, $least);
            $highest = max($highest, $most);
            $kinds["{$system->region}:{$system->material}"] = true;
            $names[$system->short] = true;
            $pipes[] = "{$system->key}/{$size}";
        }

        return new self($low ?? $lowest, $high ?? $highest, array_keys($kinds), array_keys($names), $pipes);
    }

    /**
     * @return array{PipeSystem, string} with the size
     *
     * @throws BadInput if the system is not in the catalogue
     */
    private static function pipe(mixed $pair, string $at, PipeSystems $systems): array
    {
        // A table names the same pipes many times over: strict reading is for what is not found.
        $key = is_array($pair) && is_string($pair['system'] ?? null) ? $pair['system'] : '';
        if (! in_array($key, $systems->systemKeys(), true)) {
            $key = Fields::of($pair, $at)->choice('system', $systems->systemKeys());
        }
        $system = $systems->system($key);
        $size =
            is_array($pair) && is_string($pair['size'] ?? null)
                ? $pair['size']
                : Fields::of($pair, $at)->string('size');

        return [$system, $size];
    }

    /** Whether a pipe of this region, material and outside diameter goes in. */
    public function takes(string $kind, float $outsideMm): bool
    {
        return $outsideMm >= $this->lowMm - Tolerance::ROUNDING &&
            $outsideMm <= $this->highMm + Tolerance::ROUNDING &&
            in_array($kind, $this->kinds, true);
    }
}
