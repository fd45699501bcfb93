<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Geometry\Vec3;

/**
 * A branch fitting cut into a standing line: where the line is cut, how long the stubs are that stand in the fitting,
 * how it is closed, and what is loose once it is cut.
 * Along the line from its upstream end: cut | gap | stub to the stop | fitting | stub | gap | cut. Lengths in mm,
 * weights in kg.
 */
final readonly class CutIn
{
    /** Water in a full bore, kg per litre. */
    private const WATER = 1.0;

    /**
     * @param Pipe $pipe that stands
     * @param Pipe $stub of the fitting's system
     * @param ?float $lengthMm of the standing piece; null: nobody measured
     * @param ?float $stubMm as it is given; null: what the socket and the coupling take
     */
    public function __construct(
        public Pipe $pipe,
        public Branch $fitting,
        public Pipe $stub,
        public ?float $lengthMm,
        public float $centreMm,
        public CutSide $up,
        public CutSide $down,
        public ?float $stubMm,
    ) {}

    /**
     * @return array{float, float}|null the stubs, upstream and downstream, end to end; null where the insertion is not
     *     known
     */
    public function stubs(): ?array
    {
        if ($this->stubMm !== null) {
            return [$this->stubMm, $this->stubMm];
        }

        return $this->up->insertionMm === null || $this->down->insertionMm === null
            ? null
            : [
                $this->stub->socketDepthMm + $this->up->insertionMm,
                $this->stub->socketDepthMm + $this->down->insertionMm,
            ];
    }

    /**
     * @return array{float, float}|null where the line is cut, from its upstream end; null where a length is not known
     */
    public function marks(): ?array
    {
        $stubs = $this->stubs();
        if (
            $stubs === null ||
            $this->up->gapMm() === null ||
            $this->down->gapMm() === null
        ) {
            return null;
        }

        return [
            $this->centreMm - $this->fitting->runInMm - $stubs[0] - $this->up->gapMm(),
            $this->centreMm + $this->fitting->runOutMm + $stubs[1] + $this->down->gapMm(),
        ];
    }

    /** Gives how far off the length of the fitting's run may be, mm: nothing where it is stated or was measured. */
    public function doubtMm(): float
    {
        return $this->fitting->runInDoubtMm + $this->fitting->runOutDoubtMm;
    }

    /** Whether both cuts lie on the standing piece, with pipe left on either side to hold a coupling. */
    public function fits(): bool
    {
        $marks = $this->marks();

        return $marks === null ||
            ($marks[0] >= ($this->up->insertionMm ?? 0.0) &&
                ($this->lengthMm === null || $this->lengthMm - $marks[1] >= ($this->down->insertionMm ?? 0.0)));
    }

    /**
     * @return array{up: ?float, down: ?float, up_full: ?float, down_full: ?float}|null what is loose on either side
     *     once the line is cut, empty and full of water; null where the catalogue has no weight
     */
    public function released(): ?array
    {
        $marks = $this->marks();
        if ($marks === null || $this->pipe->kgPerM === null) {
            return null;
        }
        $full = $this->pipe->kgPerM + M_PI * ($this->pipe->boreMm / 2000) ** 2 * 1000 * self::WATER;
        $weigh = static fn (float $mm, float $kg): float => (max(0.0, $mm) / 1000) * $kg;
        $below = $this->lengthMm === null ? null : $this->lengthMm - $marks[1];

        return [
            'up' => $weigh($marks[0], $this->pipe->kgPerM),
            'down' => $below === null ? null : $weigh($below, $this->pipe->kgPerM),
            'up_full' => $weigh($marks[0], $full),
            'down_full' => $below === null ? null : $weigh($below, $full),
        ];
    }

    /**
     * Whether the fitting can be brought between the ends and both sides closed: tried as an assembly, see
     * `AssemblyOrder`.
     */
    public function closes(): bool
    {
        $joint = static fn (string $id, string $a, string $b, CutSide $side): PlannedJoint => new PlannedJoint(
            $id,
            $a,
            $b,
            new Vec3(1.0, 0.0, 0.0),
            $side->insertionMm ?? 0.0,
            match ($side->way()) {
                'slide' => 'slide',
                'roll-back' => 'roll',
                default => 'push',
            },
            max($side->slideRoomMm, 0.0),
        );
        if ($this->up->way() === null || $this->down->way() === null) {
            return false;
        }
        $fixed = [...$this->up->isFixed ? ['up'] : [], ...$this->down->isFixed ? ['down'] : []];

        return (new AssemblyOrder(
            ['up', 'fitting', 'down'],
            [$joint('1', 'up', 'fitting', $this->up), $joint('2', 'fitting', 'down', $this->down)],
            $fixed,
        ))->find() !== null;
    }

    /** @return list<string> steps in order, see core/data/wording.json under `cut-in` for their words */
    public function order(): array
    {
        $over = static fn (string $side, CutSide $one): array => match ($one->way()) {
            'slide' => ["slide-back.{$side}"],
            'roll-back' => ["roll-back.{$side}"],
            default => [],
        };

        return [
            'water-off',
            'hang.up',
            'hang.down',
            'mark',
            'cut.up',
            'cut.down',
            'take-out',
            'deburr',
            'stubs',
            ...$over('up', $this->up),
            ...$over('down', $this->down),
            'set',
            'close.up',
            'close.down',
            'level',
            'test',
        ];
    }
}
