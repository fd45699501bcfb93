<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * The outside diameters that one side of a coupling or a gasket takes: the envelope of the pipes that it is made for with their tolerances,
 * unless the range printed on the part was entered. Lengths in mm.
 */
final readonly class PipeRange
{
    /**
     * @param list<string> $kinds region and material of the pipes that it is made for: `us:iron`
     * @param list<string> $names what those pipes are called on site
     * @param list<string> $pipes system and size of each: `ci-no-hub/4`
     */
    private function __construct(public float $lowMm, public float $highMm, public array $kinds, public array $names, public array $pipes) {}

    /**
     * Takes the list of pipes that a side is made for.
     *
     * @param list<Fields> $named objects of `{system, size}`
     * @param ?float $low measured, in place of the derived limit
     * @param ?float $high measured
     *
     * @throws BadInput if a pipe is not in the catalogue
     */
    public static function read(array $named, Catalogue $catalogue, ?float $low = null, ?float $high = null): self
    {
        [$lowest, $highest, $kinds, $names, $pipes] = [INF, 0.0, [], [], []];
        foreach ($named as $fields) {
            $system = $catalogue->system($fields->choice('system', $catalogue->systemKeys()));
            $pipe = $system->pipes[$fields->string('size')] ?? throw BadInput::at($fields->at('size'), 'is no size of that system', $fields->string('size'));
            $lowest = min($lowest, $pipe->outsideMm - $pipe->minusMm);
            $highest = max($highest, $pipe->outsideMm + $pipe->plusMm);
            $kinds["{$system->region}:{$system->material}"] = true;
            $names[$system->short] = true;
            $pipes[] = "{$system->key}/{$pipe->size}";
        }

        return new self($low ?? $lowest, $high ?? $highest, array_keys($kinds), array_keys($names), $pipes);
    }

    /** Whether a pipe of this region, material and outside diameter goes in. */
    public function takes(string $kind, float $outsideMm): bool
    {
        return $outsideMm >= $this->lowMm - 1e-9 && $outsideMm <= $this->highMm + 1e-9 && in_array($kind, $this->kinds, true);
    }
}
