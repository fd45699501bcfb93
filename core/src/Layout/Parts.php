<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Run;

/** Collects what an assembly is made of, in the order of flow, before the marks are allotted. */
final class Parts
{
    /** @var list<Fitting> */
    public array $fittings = [];

    /** @var list<string> keys of fittings and pieces as the water meets them */
    public array $sequence = [];

    /**
     * @var list<array{key: string, leg: int, size: string, cut: float, from: Vec3, direction: Vec3,
     *     joints: array{string, string}, between: bool, known: bool, doubt: ?Doubt}>
     */
    private array $pieces = [];

    /** @var list<array{key: string, leg: int, fitting: ?string, size: string, at: Vec3, tape: float, strain: float}> */
    private array $joints = [];

    public function __construct(private readonly PipeSystem $system) {}

    /** Adds a fitting. */
    public function fitting(Fitting $fitting): void
    {
        $this->sequence[] = $fitting->key;
        $this->fittings[] = $fitting;
    }

    /** @param array{string, string} $joints keys, upstream first */
    public function piece(
        string $key,
        LegLine $leg,
        string $size,
        float $cutMm,
        Vec3 $from,
        Vec3 $direction,
        array $joints,
        bool $isBetweenPair = false,
        bool $isCutKnown = true,
        ?Doubt $doubt = null,
    ): void {
        $this->sequence[] = $key;
        $this->pieces[] = [
            'key' => $key,
            'leg' => $leg->number,
            'size' => $size,
            'cut' => $cutMm,
            'from' => $from,
            'direction' => $direction,
            'joints' => $joints,
            'between' => $isBetweenPair,
            'known' => $isCutKnown,
            'doubt' => $doubt,
        ];
    }

    /** Adds a joint: the stop on the axis, how far along the tape it is in mm, and what it must give in degrees. */
    public function joint(
        string $key,
        LegLine $leg,
        ?string $fitting,
        string $size,
        Vec3 $at,
        float $tapeMm,
        float $strainDeg = 0.0,
    ): void {
        $this->joints[] = [
            'key' => $key,
            'leg' => $leg->number,
            'fitting' => $fitting,
            'size' => $size,
            'at' => $at,
            'tape' => $tapeMm,
            'strain' => $strainDeg,
        ];
    }

    /** @return list<string> keys of the pieces of a leg that come from index $from on */
    public function pieceKeys(int $from): array
    {
        return array_column(array_slice($this->pieces, $from), 'key');
    }

    /** How many pieces there are so far. */
    public function countPieces(): int
    {
        return count($this->pieces);
    }

    /**
     * Allots the marks.
     *
     * @return array{Run, list<Piece>, list<Joint>} the run with its ledger, and what is marked
     */
    public function marked(Run $run): array
    {
        $marks = $run->marks->allot(array_column($this->pieces, 'key'), array_column($this->joints, 'key'));
        [$pieces, $depths] = [[], []];
        foreach ($this->pieces as $p) {
            $depth = $depths[$p['size']] ??= $this->system->pipe($p['size'])->socketDepthMm;
            $pieces[] = new Piece(
                $p['key'],
                $marks->onPiece($p['key']),
                $p['leg'],
                $p['size'],
                $p['cut'],
                2 * $depth,
                $p['from'],
                $p['direction'],
                $depth,
                $depth,
                $p['joints'][0],
                $p['joints'][1],
                $p['between'],
                $p['known'],
                $p['doubt'],
            );
        }
        $joints = [];
        foreach ($this->joints as $j) {
            $joints[] = new Joint(
                $j['key'],
                $marks->joints[$j['key']],
                $marks->atJoint($j['key']),
                $j['leg'],
                $j['fitting'],
                $j['size'],
                $j['at'],
                $j['tape'],
                $depths[$j['size']] ??= $this->system->pipe($j['size'])->socketDepthMm,
                $j['strain'],
            );
        }

        return [$run->withMarks($marks), $pieces, $joints];
    }
}
