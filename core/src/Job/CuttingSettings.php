<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What the crew has to cut with and from, and what is to be least. Lengths in mm. */
final readonly class CuttingSettings
{
    public const MOST_EFFORT = 16;

    /**
     * @param ?float $kerfMm width of the cut of the saw in hand; null: as usual
     * @param 'sticks'|'length'|'price' $objective what is to be least
     * @param list<array{system: string, size: string, length_mm: float, price: ?float, available: ?int}> $stock sticks
     *     and offcuts, in place of those that the pipe is sold in
     * @param int $effort how many times as long as usual the sticks may be planned, 1 to MOST_EFFORT
     */
    public function __construct(
        public ?float $kerfMm = null,
        public string $objective = 'sticks',
        public array $stock = [],
        public int $effort = 1,
    ) {}

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $fields): self
    {
        $stock = array_map(static function (Fields $one): array {
            $row = [
                'system' => $one->string('system', 40),
                'size' => $one->string('size', 10),
                'length_mm' => $one->number('length_mm', 1, 100_000),
                'price' => $one->numberOrNull('price', 0, 1_000_000),
                'available' => $one->has('available') ? $one->int('available', 0, 10_000) : null,
            ];
            $one->end();

            return $row;
        }, $fields->children('stock', 500));
        $settings = new self(
            $fields->numberOrNull('kerf_mm', 0, 50),
            $fields->has('objective') ? $fields->choice('objective', ['sticks', 'length', 'price']) : 'sticks',
            $stock,
            $fields->has('effort') ? $fields->int('effort', 1, self::MOST_EFFORT) : 1,
        );
        $fields->end();

        return $settings;
    }

    /** @return array<string, mixed> as a job file holds it; empty where nobody said anything */
    public function toArray(): array
    {
        return array_filter(
            [
                'kerf_mm' => $this->kerfMm,
                'objective' => $this->objective === 'sticks' ? null : $this->objective,
                'effort' => $this->effort === 1 ? null : $this->effort,
                'stock' => $this->stock === []
                        ? null
                        : array_map(
                            static fn (array $one): array => array_filter(
                                $one,
                                static fn (mixed $value): bool => $value !== null,
                            ),
                            $this->stock,
                        ),
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }
}
