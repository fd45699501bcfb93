<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Geometry\CompoundBend;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\FittingChoice;
use FallBend\Core\Job\RunUse;

/**
 * Finds what stands between two legs. Fewest fittings first: nothing but a coupling where the legs lie in line within
 * the play of two joints,
 * then the single bend that the rulebook takes in this orientation, then the gentlest pair. What the user chose is
 * kept, and judged by the rules.
 */
final readonly class TurnFinder
{
    /** Smaller outside than any 3 in drain, larger than any of 2-1/2 in. */
    private const LARGE_MM = 76.2;

    /**
     * @param float $playDeg the angle that one made joint gives without strain
     * @param bool $rises the run is called out against the flow: its fittings are met from their outlets
     */
    public function __construct(
        private PipeSystem $system,
        private Rulebook $rulebook,
        private float $playDeg,
        private RunUse $use,
        private bool $rises = false,
    ) {}

    /** Gives the turn from one leg to the next; a turn that cannot be made has its trouble named and no bends. */
    public function between(LegLine $before, LegLine $after): Turn
    {
        $size = $this->system->isLarger($after->size, $before->size) ? $after->size : $before->size;
        $bushings = [
            $size === $before->size ? null : $this->system->bushing($size, $before->size),
            $size === $after->size ? null : $this->system->bushing($size, $after->size),
        ];
        [$in, $out] = [$before->direction, $after->direction];
        $angle = $in->angleTo($out);
        $choice = $after->leg->fitting;
        if ($choice?->isClosetBend() === true) {
            return $this->closetBend($before, $after);
        }
        if ($choice !== null) {
            return $this->chosen($choice, $in, $out, $size, $bushings, $before->leg->isClose);
        }
        if ($angle <= 2 * $this->playDeg) {
            return new Turn(
                $angle,
                [],
                $this->system->coupling($size),
                $bushings[0],
                $bushings[1],
                strainDeg: $angle / 2,
                trouble: $before->leg->isClose ? TurnTrouble::NothingToStand : null,
            );
        }
        $single = $this->single($in, $out, $size);
        if ($single !== null) {
            return $this->withBend($single, $in, $out, $bushings, $before->leg->isClose);
        }
        $pair = PairFinder::gentlest($this->bends($size), $angle);

        return $pair === null
            ? self::none($angle, TurnTrouble::OutOfReach)
            : $this->withPair($pair, false, $in, $out, $bushings, $before->leg->isClose);
    }

    /** Whether the rulebook takes a pattern in an orientation for this use and size: 0 yes, 1 doubtful, 2 no. */
    public static function objection(
        Rulebook $rulebook,
        string $pattern,
        Orientation $orientation,
        RunUse $use,
        string $size,
        PipeSystem $system,
    ): int {
        $threshold = $rulebook->forTurn($pattern, $orientation->value);

        return match ($threshold?->verdict) {
            null, 'yes' => 0,
            'doubtful' => 1,
            'fixture-drain-only' => self::isSmallFixtureDrain($use, $size, $threshold->upToSize, $system) ? 0 : 2,
            'large-or-fixture-drain' => $system->pipe($size)->outsideMm > self::LARGE_MM ||
            self::isSmallFixtureDrain($use, $size, $threshold->upToSize, $system)
                ? 0
                : 2,
            default => 2,
        };
    }

    private static function isSmallFixtureDrain(RunUse $use, string $size, ?string $upTo, PipeSystem $system): bool
    {
        return $use === RunUse::FixtureDrain &&
            $upTo !== null &&
            isset($system->pipes[$upTo]) &&
            ! $system->isLarger($size, $upTo);
    }

    /** @return list<Bend> as the run meets them */
    private function bends(string $size): array
    {
        $bends = $this->system->plainBends($size);

        return $this->rises ? array_map(static fn (Bend $bend): Bend => $bend->againstFlow(), $bends) : $bends;
    }

    private function bend(string $pattern, string $size, bool $street): ?Bend
    {
        $bend = $this->system->bend($pattern, $size, $street);

        return $this->rises ? $bend?->againstFlow() : $bend;
    }

    private function single(Vec3 $in, Vec3 $out, string $size): ?Bend
    {
        $angle = $in->angleTo($out);
        $orientation = Orientation::of($in, $out);
        $best = null;
        $bestRank = null;
        foreach ($this->bends($size) as $i => $bend) {
            if (abs($bend->turnDeg - $angle) > 2 * $this->playDeg) {
                continue;
            }
            $rank = [
                self::objection($this->rulebook, $bend->pattern, $orientation, $this->use, $size, $this->system),
                $i,
            ];
            if ($bestRank === null || $rank < $bestRank) {
                [$best, $bestRank] = [$bend, $rank];
            }
        }

        return $best;
    }

    /** A closet bend of one size is a quarter bend. */
    private function closetBend(LegLine $before, LegLine $after): Turn
    {
        $bend = $before->size === $after->size
            ? $this->bend('quarter', $after->size, false)
            : $this->system->closetBend($before->size, $after->size);
        [$in, $out] = [$before->direction, $after->direction];

        return $bend === null
            ? self::none($in->angleTo($out), TurnTrouble::NoSuchFitting)
            : $this->withBend($bend, $in, $out, [null, null], $before->leg->isClose);
    }

    /** @param array{?StraightFitting, ?StraightFitting} $bushings */
    private function chosen(
        FittingChoice $choice,
        Vec3 $in,
        Vec3 $out,
        string $size,
        array $bushings,
        bool $stands,
    ): Turn {
        $bends = [];
        foreach ($choice->patterns as $pattern) {
            $bend = $this->bend($pattern, $size, false);
            if ($bend === null) {
                return self::none($in->angleTo($out), TurnTrouble::NoSuchFitting);
            }
            $bends[] = $bend;
        }

        return count($bends) === 2
            ? $this->withPair([$bends[0], $bends[1]], $choice->isClose, $in, $out, $bushings, $stands)
            : $this->withBend($bends[0], $in, $out, $bushings, $stands);
    }

    /** @param array{?StraightFitting, ?StraightFitting} $bushings */
    private function withBend(Bend $bend, Vec3 $in, Vec3 $out, array $bushings, bool $stands): Turn
    {
        $angle = $in->angleTo($out);
        $bend = $stands ? $this->bend($bend->pattern, $bend->size, true) : $bend;
        if ($bend === null) {
            return self::none($angle, TurnTrouble::NoSuchFitting);
        }

        return new Turn(
            $angle,
            [$bend],
            null,
            $bushings[0],
            $bushings[1],
            strainDeg: abs($angle - $bend->turnDeg) / 2,
            stands: $stands,
        );
    }

    /**
     * @param array{Bend, Bend} $pair
     * @param array{?StraightFitting, ?StraightFitting} $bushings
     */
    private function withPair(array $pair, bool $isClose, Vec3 $in, Vec3 $out, array $bushings, bool $stands): Turn
    {
        [$angle, $size] = [$in->angleTo($out), $pair[0]->size];
        $first = $this->bend($pair[0]->pattern, $size, $stands);
        $second = $this->bend($pair[1]->pattern, $size, $isClose);
        if ($first === null || $second === null) {
            return self::none($angle, TurnTrouble::NoSuchFitting);
        }
        $between = PairFinder::between($in, $out, $first->turnDeg, $second->turnDeg);
        $strain = 0.0;
        if ($between === null) {
            // Just outside the span the four joints of the pair may still give what is missing.
            [$least, $most] = (new CompoundBend($first->turnDeg, $second->turnDeg))->spanDeg();
            $missing = max($least - $angle, $angle - $most);
            $between =
                $missing <= 4 * $this->playDeg ? $this->inPlane($in, $out, $first->turnDeg, $second->turnDeg) : null;
            if ($between === null) {
                return self::none($angle, TurnTrouble::PairOutOfReach);
            }
            $strain = $missing / 4;
        }
        $length =
            $first->outletMm() +
            ($isClose ? $second->standMm() ?? 0.0 : $second->takeOffMm + 2 * $this->system->pipe($size)->socketDepthMm);

        return new Turn(
            $angle,
            [$first, $second],
            null,
            $bushings[0],
            $bushings[1],
            $between,
            $length,
            $isClose,
            $strain,
            $stands,
        );
    }

    /** The direction between two bends laid in the plane of the turn, each a little more or less than it makes. */
    private function inPlane(Vec3 $in, Vec3 $out, float $firstDeg, float $secondDeg): ?Vec3
    {
        $square = $out->squareTo($in);
        $share = deg2rad(($in->angleTo($out) * $firstDeg) / ($firstDeg + $secondDeg));

        return $square === null ? null : $in->times(cos($share))->plus($square->times(sin($share)));
    }

    private static function none(float $angle, TurnTrouble $trouble): Turn
    {
        return new Turn($angle, [], null, null, null, trouble: $trouble);
    }
}
