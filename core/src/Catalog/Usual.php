<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What a run is made of under a rulebook where nobody says. */
final readonly class Usual
{
    /**
     * @param string $system key of the system of waste pipe
     * @param string $soilSystem key of the system of closets and stacks; the same where one system serves for both
     * @param string $drainSize of a drain that begins at no fixture
     * @param string $ventSizeMost a vent is as large as its drain, up to this
     * @param string $fixtureSizeLeast of the drain of a fixture whose trap may be smaller
     */
    private function __construct(
        public string $system,
        public string $soilSystem,
        public string $drainSize,
        public string $ventSizeMost,
        public string $fixtureSizeLeast,
        public Provenance $provenance,
    ) {}

    /** @throws BadInput if a field is missing */
    public static function read(Fields $row, string $rulebook): self
    {
        return new self(
            $row->string('system'),
            $row->string('soil_system'),
            $row->string('drain_size'),
            $row->string('vent_size_most'),
            $row->string('fixture_size_least'),
            Provenance::of($row, $rulebook, 'usual'),
        );
    }

    /** Whether closets and stacks are of another system than the rest. */
    public function isApart(): bool
    {
        return $this->soilSystem !== $this->system;
    }
}
