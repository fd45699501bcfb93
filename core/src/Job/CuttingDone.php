<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What the crew has to cut from, and what it has cut. Lengths in mm. */
final readonly class CuttingDone
{
    public const MOST_EFFORT = 16;

    /**
     * @param ?float $kerfMm width of the cut of the saw in hand; null: as usual
     * @param 'sticks'|'length'|'price' $objective what is to be least
     * @param list<array{system: string, size: string, length_mm: float, price: ?float, available: ?int}> $stock sticks
     *     and offcuts, in place of those that the pipe is sold in
     * @param array<string, array<string, float>> $cut lengths really cut, by run and key of the piece
     * @param int $effort how many times as long as usual the sticks may be planned, 1 to MOST_EFFORT
     * @param array<string, PrintedTicket> $printed the ticket of a run as it was last put on paper, by run
     */
    public function __construct(
        public ?float $kerfMm = null,
        public string $objective = 'sticks',
        public array $stock = [],
        public array $cut = [],
        public array $printed = [],
        public int $effort = 1,
    ) {}

    /**
     * @param list<string> $runs ids
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields, array $runs): self
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
        $cut = [];
        foreach ($fields->children('cut', 20_000) as $one) {
            [$run, $piece] = [$one->choice('run', $runs), $one->string('piece', Marks::LONGEST_KEY)];
            if (isset($cut[$run][$piece])) {
                throw BadInput::at($one->at('piece'), 'stands twice', $piece);
            }
            $cut[$run][$piece] = $one->number('length_mm', 1, 1_000_000);
            $one->end();
        }
        $printed = [];
        foreach ($fields->children('printed', 10_000) as $one) {
            $ticket = PrintedTicket::read($one, $runs);
            $printed[$ticket->run] = isset($printed[$ticket->run])
                ? throw BadInput::at($one->at('run'), 'stands twice', $ticket->run)
                : $ticket;
        }
        $done = new self(
            $fields->numberOrNull('kerf_mm', 0, 50),
            $fields->has('objective') ? $fields->choice('objective', ['sticks', 'length', 'price']) : 'sticks',
            $stock,
            $cut,
            $printed,
            $fields->has('effort') ? $fields->int('effort', 1, self::MOST_EFFORT) : 1,
        );
        $fields->end();

        return $done;
    }

    /** @return array<string, mixed> as a job file holds it; empty where nobody said anything */
    public function toArray(): array
    {
        $cut = [];
        foreach ($this->cut as $run => $pieces) {
            foreach ($pieces as $piece => $length) {
                $cut[] = ['run' => $run, 'piece' => $piece, 'length_mm' => $length];
            }
        }

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
                'cut' => $cut === [] ? null : $cut,
                'printed' => $this->printed === []
                        ? null
                        : array_map(
                            static fn (PrintedTicket $ticket): array => $ticket->toArray(),
                            array_values($this->printed),
                        ),
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }
}
