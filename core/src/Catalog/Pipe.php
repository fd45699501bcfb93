<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** One size of a pipe system, with the socket that it goes into. Lengths in mm. */
final readonly class Pipe
{
    /** @param  non-empty-list<float>  $sticksMm lengths that it is sold in */
    private function __construct(
        public string $size,
        public float $outsideMm,
        public float $boreMm,
        public float $wallMm,
        public float $socketDepthMm,
        public array $sticksMm,
        public Provenance $provenance,
        public Provenance $socketProvenance,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row, Fields $socket, string $table): self
    {
        $sticks = array_map(static fn (mixed $mm): float => is_int($mm) || is_float($mm) ? (float) $mm : 0.0, $row->list('sticks_mm'));
        if ($sticks === [] || min($sticks) <= 0) {
            throw BadInput::at($row->at('sticks_mm'), 'must be a list of lengths');
        }

        return new self(
            $row->string('size'),
            $row->number('od_mm', 1, 2000),
            $row->number('bore_mm', 1, 2000),
            $row->number('wall_mm', 0.1, 200),
            $socket->number('depth_mm', 1, 500),
            $sticks,
            Provenance::read($row, $table),
            Provenance::read($socket, $table),
        );
    }
}
