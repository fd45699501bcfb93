<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * One threshold of a rulebook: a value (for some sizes) or a verdict (for a pattern in an orientation), with its
 * source.
 */
final readonly class Threshold implements Storable
{
    use StoredRow;

    /**
     * @param list<string> $sizes empty for all sizes
     * @param list<string> $systems empty for all systems
     * @param string $title what it is called where it can be set
     * @param list<string> $fixtures empty for all fixtures
     * @param ?float $fallMmPerM the fall that a load stands for
     * @param ?float $lengthMm the length that a gradient stands for
     * @param ?float $load the load up to which a value stands, in the unit of the rulebook
     * @param ?string $vent the size of vent that it stands for
     */
    private function __construct(
        public string $id,
        public string $topic,
        public array $sizes,
        public array $systems,
        public string $title,
        public string $unit,
        public ?float $value,
        public ?float $byApproval,
        public ?string $verdict,
        public ?string $pattern,
        public ?string $orientation,
        public ?string $upToSize,
        public Provenance $provenance,
        public array $fixtures = [],
        public ?float $fallMmPerM = null,
        public ?float $lengthMm = null,
        public ?float $load = null,
        public ?string $vent = null,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row, string $rulebook): self
    {
        return new self(
            $row->string('id'),
            $row->string('topic'),
            $row->strings('sizes'),
            $row->strings('systems'),
            $row->stringOr('title', ''),
            $row->stringOr('unit', ''),
            $row->numberOrNull('value'),
            $row->numberOrNull('by_approval'),
            $row->has('verdict')
                ? $row->choice('verdict', ['yes', 'no', 'doubtful', 'fixture-drain-only', 'large-or-fixture-drain'])
                : null,
            $row->has('pattern') ? $row->string('pattern') : null,
            $row->has('orientation')
                ? $row->choice('orientation', ['level-upright', 'upright-level', 'level-level'])
                : null,
            $row->has('up_to') ? $row->string('up_to') : null,
            Provenance::read($row, $rulebook),
            $row->strings('fixtures'),
            $row->numberOrNull('fall_mm_per_m'),
            $row->numberOrNull('length_mm'),
            $row->numberOrNull('load'),
            $row->has('vent') ? $row->string('vent', 8) : null,
        );
    }

    /** Whether its value may be another locally: a number, or a yes or no, also one that the book leaves open. */
    public function canBeSet(): bool
    {
        return $this->value !== null || $this->unit === 'yes_no';
    }

    /** The same threshold with the value that is asked for locally. */
    public function overridden(float $value, string $source): self
    {
        return new self(
            $this->id,
            $this->topic,
            $this->sizes,
            $this->systems,
            $this->title,
            $this->unit,
            $value,
            null,
            $this->verdict,
            $this->pattern,
            $this->orientation,
            $this->upToSize,
            $this->provenance->overridden($source),
            $this->fixtures,
            $this->fallMmPerM,
            $this->lengthMm,
            $this->load,
            $this->vent,
        );
    }
}
