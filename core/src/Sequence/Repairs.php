<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeInterface;
use FallBend\Core\Cutting\JobCutting;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Site\JointStanding;
use FallBend\Core\Site\SiteLog;

/**
 * What is wrong with joints of a run and what to do about it; and what goes in where one was cut out: a new fitting,
 * and for each pipe that was joined in it a new piece with a coupling to what is left of the old one, or the whole
 * piece anew where too little is left.
 *
 * The old pipe is cut at the stop of the coupling that follows the new piece: from the lip of the fitting the depth of
 * the coupling's socket and the width of its stop. The new piece fills both sockets, so that their lips meet.
 *
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type WrongJoint from Troubles
 *
 * @phpstan-type RepairPiece array{
 *     letter: string,
 *     cut_at: Reading|null,
 *     new: Reading|null,
 *     coupling: ?string,
 *     whole: bool,
 * }
 * @phpstan-type Repair array{
 *     joint: string,
 *     joints: list<string>,
 *     at: string,
 *     by: string,
 *     fitting: ?string,
 *     pieces: list<RepairPiece>,
 *     slip: bool,
 *     enough: ?bool,
 * }
 */
final readonly class Repairs
{
    private Tape $tape;

    public function __construct(private RunLayout $layout, private RunTimes $times, private SiteLog $log)
    {
        $this->tape = new Tape;
    }

    /** @return list<WrongJoint> joints that something is wrong with, in the order of flow */
    public function wrong(): array
    {
        $wrong = [];
        foreach ($this->standing() as [$joint, $standing]) {
            $wrong[] = Troubles::written((string) $joint->number, $this->times->method($joint), $standing);
        }

        return array_values(array_filter($wrong));
    }

    /**
     * @param JobCutting $cutting what is planned to be cut, and what is left of it
     * @return list<Repair> of joints that were cut out and are not made again, in the order of flow
     */
    public function repairs(JobCutting $cutting): array
    {
        [$repairs, $fittings] = [[], []];
        foreach ($this->standing() as [$joint, $standing]) {
            $last = $standing->cutOut === [] ? null : $standing->cutOut[count($standing->cutOut) - 1];
            if ($last === null || $standing->made !== null || ! $this->isLost($joint)) {
                continue;
            }
            // One fitting is one repair, however many of its joints went with it.
            if ($joint->fitting !== null && in_array($joint->fitting, $fittings, true)) {
                continue;
            }
            $fittings[] = $joint->fitting;
            $pieces = $this->pieces($joint);
            $repairs[] = [
                'joint' => (string) $joint->number,
                'joints' => $this->lost($joint),
                'at' => $last->at->format(DateTimeInterface::ATOM),
                'by' => $last->by,
                'fitting' => $this->layout->fittingAt($joint->key)?->part->name,
                'pieces' => $pieces,
                // Two ends that stand do not come apart for a coupling with a stop.
                'slip' => count($pieces) > 1,
                'enough' => $this->isEnough($pieces, $joint->size, $cutting),
            ];
        }

        return $repairs;
    }

    /** @return list<array{Joint, JointStanding}> the joints that something is said of */
    private function standing(): array
    {
        $said = $this->log->joints($this->layout->run->id);
        $standing = [];
        foreach ($this->layout->joints as $joint) {
            if (isset($said[$joint->number])) {
                $standing[] = [$joint, $said[$joint->number]];
            }
        }

        return $standing;
    }

    /** Whether the socket is lost with the joint: of a joint that opens nothing is. */
    private function isLost(Joint $joint): bool
    {
        return $this->times->method($joint)?->isCement() ?? false;
    }

    /** @return list<string> numbers of the joints that went with the fitting of a joint */
    private function lost(Joint $joint): array
    {
        $lost = [];
        $said = $this->log->joints($this->layout->run->id);
        foreach ($this->layout->joints as $other) {
            $standing = $said[$other->number] ?? null;
            $isLost = $standing !== null && $standing->cutOut !== [] && $standing->made === null;
            if ($isLost && self::isBeside($other, $joint)) {
                $lost[] = (string) $other->number;
            }
        }

        return $lost;
    }

    /** @return list<RepairPiece> of each pipe in the fitting of a joint, as far as it is or was joined there */
    private function pieces(Joint $joint): array
    {
        $depths = [];
        $said = $this->log->joints($this->layout->run->id);
        foreach ($this->layout->joints as $other) {
            $standing = $said[$other->number] ?? new JointStanding;
            if (self::isBeside($other, $joint) && ($standing->made !== null || $standing->cutOut !== [])) {
                $depths[$other->key] = $other->depthMm;
            }
        }
        $pieces = [];
        foreach ($this->layout->pieces as $piece) {
            $depth = $depths[$piece->jointFrom] ?? ($depths[$piece->jointTo] ?? null);
            if ($depth !== null) {
                $isFrom = isset($depths[$piece->jointFrom]);
                $pieces[] = $this->piece($piece, $depth, $isFrom ? $piece->depthToMm : $piece->depthFromMm);
            }
        }

        return $pieces;
    }

    /** Whether a joint is another one, or in the same fitting. */
    private static function isBeside(Joint $other, Joint $joint): bool
    {
        return $other->key === $joint->key || ($joint->fitting !== null && $other->fitting === $joint->fitting);
    }

    /**
     * @param float $depthMm how far it goes into the fitting
     * @param float $otherMm and into what it ends in
     * @return RepairPiece
     */
    private function piece(Piece $piece, float $depthMm, float $otherMm): array
    {
        $coupling = $this->layout->system->coupling($piece->size);
        $pipe = $this->layout->system->pipe($piece->size);
        if ($coupling === null || ! $pipe->isSocketKnown || ! $piece->isCutKnown) {
            return [
                'letter' => $piece->letter,
                'cut_at' => null,
                'new' => $piece->isCutKnown ? $this->tape->reading($piece->cutMm) : null,
                'coupling' => null,
                'whole' => true,
            ];
        }
        $reach = $depthMm + $pipe->socketDepthMm;
        $left = $piece->cutMm - $reach - $coupling->acrossMm;
        $isWhole = $left < $pipe->socketDepthMm + $otherMm;

        return [
            'letter' => $piece->letter,
            'cut_at' => $isWhole ? null : $this->tape->reading($pipe->socketDepthMm + $coupling->acrossMm),
            'new' => $this->tape->reading($isWhole ? $piece->cutMm : $reach),
            'coupling' => $isWhole ? null : $coupling->name,
            'whole' => $isWhole,
        ];
    }

    /**
     * Whether what the sticks leave over is enough for the new pieces; null where that is not known.
     *
     * @param list<RepairPiece> $pieces
     */
    private function isEnough(array $pieces, string $size, JobCutting $cutting): ?bool
    {
        $needed = 0.0;
        foreach ($pieces as $piece) {
            if ($piece['new'] === null) {
                return null;
            }
            $needed += $piece['new']['mm'];
        }
        $longest = null;
        foreach ($cutting->ofRun($this->layout->run->id)['groups'] as $group) {
            $isOurs = $group['system'] === $this->layout->system->key && $group['size'] === $size;
            foreach ($isOurs ? $group['sticks'] : [] as $stick) {
                $longest = max($longest ?? 0.0, $stick['offcut']['mm']);
            }
        }

        return $longest === null ? null : $longest >= $needed;
    }
}
