<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Marks;
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
     *     joints: array{string, string}, between: bool, known: bool, doubt: ?Doubt, hub: bool}>
     */
    private array $pieces = [];

    /** @var list<array{key: string, leg: int, fitting: ?string, size: string, at: Vec3, tape: float, strain: float}> */
    private array $joints = [];

    /** @param bool $rises the run is called out against the flow: its hubs are at the ends of its pieces */
    public function __construct(private readonly PipeSystem $system, private readonly bool $rises) {}

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
        bool $hasHub = false,
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
            'hub' => $hasHub,
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
        $depths = [];
        foreach ([...array_column($this->pieces, 'size'), ...array_column($this->joints, 'size')] as $size) {
            $depths[$size] ??= $this->system->pipe($size)->socketDepthMm;
        }
        $pieces = array_map(fn (array $p): Piece => $this->pieceOf($p, $marks, $depths[$p['size']]), $this->pieces);
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
                $depths[$j['size']],
                $j['strain'],
            );
        }

        return [$run->withMarks($marks), $pieces, $joints];
    }

    /**
     * @param array{key: string, leg: int, size: string, cut: float, from: Vec3, direction: Vec3,
     *     joints: array{string, string}, between: bool, known: bool, doubt: ?Doubt, hub: bool} $p
     * @param float $depthMm of a socket of its size
     */
    private function pieceOf(array $p, Marks $marks, float $depthMm): Piece
    {
        // What goes into the hub of a piece has the line, not the piece.
        return new Piece(
            $p['key'],
            $marks->onPiece($p['key']),
            $p['leg'],
            $p['size'],
            $p['cut'],
            2 * $depthMm,
            $p['from'],
            $p['direction'],
            $p['hub'] && ! $this->rises ? 0.0 : $depthMm,
            $p['hub'] && $this->rises ? 0.0 : $depthMm,
            $p['joints'][0],
            $p['joints'][1],
            $p['between'],
            $p['known'],
            $p['doubt'],
            $p['hub'] ? new PieceHub(! $this->rises, $depthMm) : null,
        );
    }
}
