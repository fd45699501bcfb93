<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Coupling;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\StraightFitting;

/**
 * A way in which two ends can be joined. Lengths in mm; null is not known, and to be measured on the part in hand.
 * How far the run's pipe reaches past the face of the other end is what the other end swallows less what is left
 * between: see `reachMm`.
 */
final readonly class Offer
{
    /** A stub that is cemented into a socket, with a sleeve on it. */
    public const STUB = 'stub';

    /**
     * @param list<Coupling|Part|StraightFitting> $parts what to buy, the main one first
     * @param ?float $insertAMm how far end a goes in
     * @param ?float $insertBMm how far end b goes in
     * @param ?float $gapMm what is left between the two ends, or between the end and the stop
     * @param ?float $slideRoomMm free pipe that is needed beside the joint to close it; 0 where nothing slides
     * @param list<Coupling|Part> $instead parts that do as well
     * @param bool $isSleeve a sleeve holds both ends from outside
     * @param int $handicap added to the rank of the method
     */
    public function __construct(
        public Method $method,
        public array $parts,
        public ?float $insertAMm,
        public ?float $insertBMm,
        public ?float $gapMm,
        public ?float $slideRoomMm,
        public array $instead = [],
        public bool $isSleeve = false,
        public int $handicap = 0,
        public string $variant = '',
    ) {}

    /** The same with the ends exchanged. */
    public function turned(): self
    {
        return new self(
            $this->method,
            $this->parts,
            $this->insertBMm,
            $this->insertAMm,
            $this->gapMm,
            $this->slideRoomMm,
            $this->instead,
            $this->isSleeve,
            $this->handicap,
            $this->variant,
        );
    }

    /**
     * The same on a stub that stands in a socket: end b is that socket, and the sleeve is outside it, by as much as it
     * takes of the stub.
     *
     * @param string $variant how the stub goes in
     */
    public function onStub(string $variant): self
    {
        return new self(
            $this->method,
            $this->parts,
            $this->insertAMm,
            null,
            $this->gapMm === null || $this->insertBMm === null ? null : $this->gapMm + $this->insertBMm,
            $this->slideRoomMm,
            $this->instead,
            $this->isSleeve,
            $this->handicap + 4,
            $variant,
        );
    }

    /**
     * Gives the end that is cemented, whatever the method is: into the other one, or into an adapter that is a part of
     * the joint.
     * Null where there is no cement in it.
     */
    public function cemented(PipeEnd $a, PipeEnd $b): ?PipeEnd
    {
        if ($this->method->isCement()) {
            return $a;
        }
        if ($this->variant === self::STUB && $this->isSleeve) {
            return $a->kind === EndKind::SolventSocket ? $a : $b;
        }
        foreach ($this->parts as $part) {
            $takes = $part instanceof Part && $part->isCemented ? $part->takes : null;
            foreach ([$a, $b] as $end) {
                $isGlued = $end->kind === EndKind::Plain || $end->kind === EndKind::SolventSocket;
                if ($isGlued && $takes?->takes($end->stuff, $end->outsideMm) === true) {
                    return $end;
                }
            }
        }

        return null;
    }

    /**
     * Gives how far the end of pipe a reaches past the face of end b (its cut end, or the lip of its socket): what b
     * swallows of a, less the gap.
     * A sleeve swallows nothing of b's face: both ends stop at its ridge. Null where a length is not known.
     */
    public function reachMm(): ?float
    {
        if ($this->gapMm === null) {
            return null;
        }

        return $this->isSleeve ? -$this->gapMm : ($this->insertAMm === null ? null : $this->insertAMm - $this->gapMm);
    }

    /**
     * Whether a sleeve of rubber holds the ends, which can be rolled back on itself once its shield is off; any other
     * has to be slid.
     */
    public function rolls(): bool
    {
        return $this->isSleeve &&
            in_array(
                $this->method,
                [Method::NoHubShielded, Method::ShieldedTransition, Method::FlexibleUnshielded],
                true,
            );
    }

    /** Gives what orders the offers: less is better. */
    public function rank(): int
    {
        return $this->method->rank() + $this->handicap;
    }
}
