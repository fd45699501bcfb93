<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Joining\EndKind;

/**
 * Puts a run together from the outlet on, leg after leg, and keeps count of where it has got to.
 *
 * Names of places, which the marks hang on: a turn belongs to the leg that it leads into. With `l` that leg: joints
 * `l.bi` (pipe into the bushing),
 * `l.in`, `l.mid1`, `l.mid2`, `l.out`, `l.bo`; fittings `l.a`, `l.b` and the bushings `l.bi`, `l.bo`; pieces `l.1`,
 * `l.2` … and `l.p` between a pair;
 * couplings along the leg `l.c1` … Past a branch fitting on the leg, which is named after the run that meets it, all
 * that follows is named after it:
 * of run `r`: fitting `l.at-r`, joints `l.at-r.in`, `l.at-r.out`, pieces `l.at-r.1` …
 * Pieces of hub-and-spigot pipe go into one another without a coupling: the joint between is `l.c1.in`.
 */
final class Assembly
{
    private Vec3 $at;

    private float $tapeMm = 0.0;

    /** Direction into the last bend: what the next one is rolled from. */
    private ?Vec3 $beforeLastBend = null;

    private readonly Parts $parts;

    /** @var list<LegLaid> */
    private array $legs = [];

    /**
     * @param list<LegLine> $lines
     */
    private function __construct(
        private readonly Run $run,
        private readonly PipeSystem $system,
        private readonly array $lines,
        private readonly Surroundings $site,
    ) {
        $this->at = new Vec3(0.0, 0.0, 0.0);
        $this->parts = new Parts($system, $run->rises());
    }

    /**
     * @param Run $said as it was called out: what is kept
     * @param Run $run with what its levels left open found
     * @param list<LegLine> $lines
     * @param list<Turn> $turns the turn into the second leg, the third …
     */
    public static function assemble(
        Run $said,
        Run $run,
        PipeSystem $system,
        array $lines,
        array $turns,
        Surroundings $site,
    ): RunLayout {
        $assembly = new self($run, $system, $lines, $site);
        foreach ($lines as $i => $line) {
            $assembly->leg($line, $turns[$i - 1] ?? null, $turns[$i] ?? null);
            if (isset($turns[$i])) {
                $assembly->turn($turns[$i], $line, $lines[$i + 1]);
            }
        }
        [$marked, $pieces, $joints] = $assembly->parts->marked($said);

        return new RunLayout(
            $marked,
            $system,
            $assembly->legs,
            $assembly->parts->fittings,
            $pieces,
            $joints,
            $assembly->at,
            $assembly->tapeMm,
            $assembly->parts->sequence,
            $site,
        );
    }

    private function leg(LegLine $line, ?Turn $turn, ?Turn $next): void
    {
        $isLast = $line->number === count($this->run->legs);
        $out =
            $turn === null
                ? $this->endTakeMm($this->run->outlet->kind, $line->size, $this->site->outlet, $this->site->outletSeat)
                : $turn->takeOutMm();
        $in =
            $next === null
                ? ($isLast
                    ? $this->endTakeMm($this->run->tieIn->kind, $line->size, $this->site->tieIn, $this->site->tieInSeat)
                    : 0.0)
                : $next->takeInMm();
        $given = $line->leg->length?->toMm();
        $centre = ($given === null || $line->leg->isToStop ? $out + $in : 0.0) + ($given ?? 0.0);
        if ($turn === null) {
            $this->outlet($line, $out);
        }
        $first = $this->parts->countPieces();
        $spans = $line->leg->isClose ? [] : $this->spans($line, $out, $centre - $in, $turn, $next);
        $this->legs[] = new LegLaid(
            $line,
            $this->at,
            $centre,
            $centre - $out - $in,
            2 * $this->system->pipe($line->size)->socketDepthMm,
            $this->closeMm($out, $next),
            $this->parts->pieceKeys($first),
            $this->tapeMm,
            $turn,
            $spans,
        );
        $this->at = $this->along($line, $centre);
        $this->tapeMm += $centre;
        if ($isLast) {
            $this->tieIn($line, $in);
        }
    }

    /**
     * Fills a leg from stop to stop, with the branch fittings that stand on it.
     *
     * @param float $from the stop at its start, mm from its reference point
     * @param float $to the stop at its end
     * @return list<float> the spans between the branch fittings; empty where there is none
     */
    private function spans(LegLine $line, float $from, float $to, ?Turn $turn, ?Turn $next): array
    {
        $id = $line->leg->id;
        [$prefix, $known, $spans] = [
            $id,
            $turn === null
                ? $this->isEndKnown($this->site->outlet, $this->site->outletSeat, $this->run->outlet->kind)
                : $turn->isKnown(),
            [],
        ];
        $doubt = $turn === null ? $this->site->outletSeat?->doubt : $turn->doubtOut();
        $doubt ??= Doubt::none();
        $joint = match (true) {
            $turn === null => 'outlet',
            $turn->bushingOut !== null => "{$id}.bo",
            default => "{$id}.out",
        };
        foreach ($this->site->onLegs[$id] ?? [] as $junction) {
            if ($junction->branch === null || $junction->atMm === null || $junction->atMm > $to) {
                continue;
            }
            $key = "{$id}.at-{$junction->key()}";
            $stop = $junction->atMm - $junction->takeInMm();
            $spans[] = $stop - $from;
            $this->pipes(
                $line,
                $prefix,
                $from,
                $stop - $from,
                [$joint, "{$key}.in"],
                $known,
                $doubt->plus($junction->doubtIn()),
            );
            $this->junction($line, $junction, $key);
            [$from, $joint, $prefix, $known, $doubt] = [
                $junction->atMm + $junction->takeOutMm(),
                "{$key}.out",
                $key,
                true,
                $junction->doubtOut(),
            ];
        }
        // Where the next leg was not understood, nobody knows yet what this one ends in.
        $isNextKnown = match (true) {
            $next !== null => $next->isKnown(),
            $line->number === count($this->run->legs) => $this->isEndKnown(
                $this->site->tieIn,
                $this->site->tieInSeat,
                $this->run->tieIn->kind,
            ),
            default => false,
        };
        // A leg that is called out to the stops is as long as it is said, whatever its fittings take.
        $isStopToStop = $line->leg->isToStop && $spans === [];
        $this->pipes(
            $line,
            $prefix,
            $from,
            $to - $from,
            [$joint, $this->entry($line, $next)],
            $known && $isNextKnown,
            $isStopToStop ? Doubt::none() : $doubt->plus($this->doubtAtEnd($line, $next)),
        );

        return $spans === [] ? [] : [...$spans, $to - $from];
    }

    private function junction(LegLine $line, Junction $junction, string $key): void
    {
        $branch = $junction->branch;
        if ($branch === null || $junction->atMm === null) {
            return;
        }
        $this->parts->joint(
            "{$key}.in",
            $line,
            $key,
            $branch->size,
            $this->along($line, $junction->atMm - $junction->takeInMm()),
            $this->tapeMm + $junction->atMm - $junction->takeInMm(),
        );
        $this->parts->fitting(
            new Fitting(
                $key,
                $line->number,
                $branch,
                $this->along($line, $junction->atMm),
                $line->direction,
                $line->direction,
                $junction->takeInMm(),
                $junction->takeOutMm(),
                $junction->strainDeg,
                junction: $junction,
            ),
        );
        $out = $junction->atMm + $junction->takeOutMm();
        $this->parts->joint("{$key}.out", $line, $key, $branch->size, $this->along($line, $out), $this->tapeMm + $out);
    }

    /**
     * The pieces of a span with the couplings between.
     *
     * @param string $prefix of their names
     * @param array{string, string} $joints keys of the joints at its start and its end
     * @param Doubt $doubt how far off the fittings at its ends may be, together
     */
    private function pipes(
        LegLine $line,
        string $prefix,
        float $reach,
        float $spanMm,
        array $joints,
        bool $known,
        Doubt $doubt,
    ): void {
        if ($spanMm <= 0) {
            return;
        }
        $pipe = $this->system->pipe($line->size);
        $coupling = $this->system->coupling($line->size);
        $stop = $coupling->acrossMm ?? 0.0;
        $hasHubs = $this->system->hasHubs();
        // Every hub is a joint: of pipe with hubs the longest stick is taken.
        $stick = $hasHubs && $pipe->sticksMm !== [] ? max($pipe->sticksMm) : $pipe->stickMm();
        $cuts =
            ($coupling === null && ! $hasHubs) || $stick === null
                ? [$spanMm]
                : StickSplitter::split($spanMm, $stick, $stop, 2 * $pipe->socketDepthMm);
        $joint = $joints[0];
        // One piece of the span takes up what its fittings are off: the last that is no whole stick.
        $open = array_keys(array_filter($cuts, static fn (float $cut): bool => $cut !== $stick));
        $trimmed = $open === [] ? count($cuts) - 1 : $open[count($open) - 1];
        foreach ($cuts as $n => $cut) {
            $isLast = $n === count($cuts) - 1;
            $key = "{$prefix}.c".($n + 1);
            $this->parts->piece(
                "{$prefix}.".($n + 1),
                $line,
                $line->size,
                $cut,
                $this->along($line, $reach),
                $line->direction,
                [$joint, $isLast ? $joints[1] : "{$key}.in"],
                isCutKnown: $known || $cut === $stick,
                doubt: $n === $trimmed ? $doubt : Doubt::none(),
                hasHub: $this->keepsHub($this->run->rises() ? ($isLast ? $joints[1] : '') : $joint),
            );
            $reach += $cut;
            if (! $isLast && $coupling === null) {
                $joint = "{$key}.in";
                $at = $this->along($line, $reach);
                $this->parts->joint($joint, $line, null, $line->size, $at, $this->tapeMm + $reach);
            }
            if (! $isLast && $coupling !== null) {
                $this->parts->joint(
                    "{$key}.in",
                    $line,
                    $key,
                    $line->size,
                    $this->along($line, $reach),
                    $this->tapeMm + $reach,
                );
                $this->parts->fitting(
                    new Fitting(
                        $key,
                        $line->number,
                        $coupling,
                        $this->along($line, $reach + $stop / 2),
                        $line->direction,
                        $line->direction,
                        $stop / 2,
                        $stop / 2,
                    ),
                );
                $reach += $stop;
                $this->parts->joint(
                    "{$key}.out",
                    $line,
                    $key,
                    $line->size,
                    $this->along($line, $reach),
                    $this->tapeMm + $reach,
                );
                $joint = "{$key}.out";
            }
        }
    }

    private function outlet(LegLine $line, float $outMm): void
    {
        if ($this->site->outletSeat?->bushing !== null) {
            $this->parts->fitting(
                new Fitting(
                    'outlet',
                    $line->number,
                    $this->site->outletSeat->bushing,
                    $this->along($line, $outMm),
                    $line->direction,
                    $line->direction,
                    0.0,
                    0.0,
                ),
            );
        }
        $part = match ($this->run->outlet->kind) {
            RunEndKind::TrapAdapter => $this->system->trapAdapters["trap-adapter/{$line->size}"] ?? null,
            RunEndKind::Plain => $this->system->coupling($line->size),
            default => null,
        };
        if ($part !== null) {
            if ($part->pattern === 'coupling') {
                $this->parts->joint('outlet.in', $line, 'outlet', $line->size, $this->at, 0.0);
            }
            $this->parts->fitting(
                new Fitting(
                    'outlet',
                    $line->number,
                    $part,
                    $this->along($line, $outMm / 2),
                    $line->direction,
                    $line->direction,
                    $outMm / 2,
                    $outMm / 2,
                ),
            );
        }
        $this->parts->joint(
            'outlet',
            $line,
            $part === null ? null : 'outlet',
            $line->size,
            $this->along($line, $outMm),
            $outMm,
        );
    }

    private function tieIn(LegLine $line, float $inMm): void
    {
        if ($this->site->tieInSeat?->bushing !== null) {
            $this->parts->fitting(
                new Fitting(
                    'tie-in',
                    $line->number,
                    $this->site->tieInSeat->bushing,
                    $this->along($line, -$inMm),
                    $line->direction,
                    $line->direction,
                    0.0,
                    0.0,
                ),
            );
        }
        $coupling = $this->run->tieIn->kind === RunEndKind::Plain ? $this->system->coupling($line->size) : null;
        $this->parts->joint(
            'tie-in',
            $line,
            $coupling === null ? null : 'tie-in',
            $line->size,
            $this->along($line, -$inMm),
            $this->tapeMm - $inMm,
        );
        if ($coupling !== null) {
            $this->parts->fitting(
                new Fitting(
                    'tie-in',
                    $line->number,
                    $coupling,
                    $this->along($line, -$inMm / 2),
                    $line->direction,
                    $line->direction,
                    $inMm / 2,
                    $inMm / 2,
                ),
            );
            $this->parts->joint('tie-in.out', $line, 'tie-in', $line->size, $this->at, $this->tapeMm);
        }
    }

    private function turn(Turn $turn, LegLine $before, LegLine $after): void
    {
        $id = $after->leg->id;
        $size = $this->turnSize($turn, $before, $after);
        $stop = $this->bushingBefore($turn, $before, $after);
        $isPair = count($turn->bends) === 2;
        if (! $before->leg->isClose) {
            $tape = $this->tapeMm - $turn->takeInMm() + ($turn->bushingIn->acrossMm ?? 0.0);
            $this->parts->joint("{$id}.in", $after, "{$id}.a", $size, $stop, $tape, $turn->strainDeg);
        }
        $isPair
            ? $this->pair($turn, $turn->bends[0], $turn->bends[1], $before, $after)
            : $this->single($turn, $before, $after);
        $out = $turn->takeOutMm() - ($turn->bushingOut->acrossMm ?? 0.0);
        $this->parts->joint(
            "{$id}.out",
            $after,
            $isPair ? "{$id}.b" : "{$id}.a",
            $turn->junction->branch->size ?? ($turn->bends[0]->outletSize ?? $size),
            $this->at->plus($after->direction->times($out)),
            $this->tapeMm + $out,
            $turn->strainDeg,
        );
        if ($turn->bushingOut !== null) {
            $this->bushingAfter($turn->bushingOut, $after, $out);
        }
    }

    /** Puts the bushing before a turn in, where there is one; gives the stop that the pipe before it comes to. */
    private function bushingBefore(Turn $turn, LegLine $before, LegLine $after): Vec3
    {
        $stop = $this->at->minus($before->direction->times($turn->takeInMm()));
        $bushing = $turn->bushingIn;
        if ($bushing === null) {
            return $stop;
        }
        $key = "{$after->leg->id}.bi";
        [$across, $way] = [$bushing->acrossMm, $before->direction];
        $this->parts->joint($key, $after, $key, $before->size, $stop, $this->tapeMm - $turn->takeInMm());
        $seat = $stop->plus($way->times($across));
        $this->parts->fitting(new Fitting($key, $after->number, $bushing, $seat, $way, $way, $across, 0.0));

        return $seat;
    }

    /** Puts the bushing after a turn in, which begins so far after the turn. */
    private function bushingAfter(StraightFitting $bushing, LegLine $after, float $outMm): void
    {
        $key = "{$after->leg->id}.bo";
        [$across, $way] = [$bushing->acrossMm, $after->direction];
        $stop = $this->at->plus($way->times($outMm));
        $this->parts->fitting(new Fitting($key, $after->number, $bushing, $stop, $way, $way, 0.0, $across));
        $end = $outMm + $across;
        $this->parts->joint($key, $after, $key, $after->size, $this->at->plus($way->times($end)), $this->tapeMm + $end);
    }

    private function single(Turn $turn, LegLine $before, LegLine $after): void
    {
        $part = $turn->bends[0] ?? ($turn->junction->branch ?? $turn->coupling);
        if ($part === null) {
            return;
        }
        $own = $turn->takeInMm() - ($turn->bushingIn->acrossMm ?? 0.0);
        if ($part instanceof Bend) {
            $this->bend(
                "{$after->leg->id}.a",
                $after,
                $part,
                $before->direction,
                $after->direction,
                $own,
                $turn->strainDeg,
                $turn->stands,
            );
        } else {
            $this->parts->fitting(
                new Fitting(
                    "{$after->leg->id}.a",
                    $after->number,
                    $part,
                    $this->at,
                    $before->direction,
                    $after->direction,
                    $own,
                    $turn->takeOutMm(),
                    $turn->strainDeg,
                    junction: $turn->junction,
                ),
            );
            $this->beforeLastBend = $part instanceof Branch ? $before->direction : $this->beforeLastBend;
        }
    }

    private function pair(Turn $turn, Bend $first, Bend $second, LegLine $before, LegLine $after): void
    {
        $between = $turn->between ?? $after->direction;
        $id = $after->leg->id;
        $this->bend(
            "{$id}.a",
            $after,
            $first,
            $before->direction,
            $between,
            $turn->takeInMm() - ($turn->bushingIn->acrossMm ?? 0.0),
            $turn->strainDeg,
            $turn->stands,
        );
        $outOf = $first->outletMm();
        $stop = $this->at->plus($between->times($outOf));
        $this->parts->joint(
            "{$id}.mid1",
            $after,
            "{$id}.a",
            $first->size,
            $stop,
            $this->tapeMm + $outOf,
            $turn->strainDeg,
        );
        $into = $turn->isBetweenClose ? $second->standMm() ?? $second->takeOffMm : $second->takeOffMm;
        if (! $turn->isBetweenClose) {
            $cut = $turn->betweenMm - $outOf - $into;
            $this->parts->piece(
                "{$id}.p",
                $after,
                $first->size,
                $cut,
                $stop,
                $between,
                ["{$id}.mid1", "{$id}.mid2"],
                true,
                $turn->isKnown(),
                Doubt::of($first->outletDoubtMm(), $first)->plus(Doubt::of($second->doubtMm, $second)),
                $this->system->hasHubs(),
            );
            $reach = $turn->betweenMm - $into;
            $this->parts->joint(
                "{$id}.mid2",
                $after,
                "{$id}.b",
                $second->size,
                $this->at->plus($between->times($reach)),
                $this->tapeMm + $reach,
                $turn->strainDeg,
            );
        }
        $this->at = $this->at->plus($between->times($turn->betweenMm));
        $this->tapeMm += $turn->betweenMm;
        $this->bend(
            "{$id}.b",
            $after,
            $second,
            $between,
            $after->direction,
            $into,
            $turn->strainDeg,
            $turn->isBetweenClose,
        );
    }

    private function bend(
        string $key,
        LegLine $after,
        Bend $bend,
        Vec3 $in,
        Vec3 $out,
        float $intoMm,
        float $strainDeg,
        bool $stands,
    ): void {
        $roll = Roll::between($this->beforeLastBend, $in, $out);
        $mark = Roll::markMm($roll, $this->system->pipe($bend->size)->outsideMm);
        $this->parts->fitting(
            new Fitting(
                $key,
                $after->number,
                $bend,
                $this->at,
                $in,
                $out,
                $intoMm,
                $bend->outletMm(),
                $strainDeg,
                $roll,
                $mark,
                $stands,
            ),
        );
        $this->beforeLastBend = $in;
    }

    private function turnSize(Turn $turn, LegLine $before, LegLine $after): string
    {
        return $turn->bends[0]->size ??
            ($turn->junction->branch->branchSize ??
                ($turn->coupling->size ??
                    ($this->system->isLarger($after->size, $before->size) ? $after->size : $before->size)));
    }

    /** The joint at which the pipe of a leg ends. */
    private function entry(LegLine $line, ?Turn $next): string
    {
        if ($next === null) {
            return 'tie-in';
        }

        return $this->lines[$line->number]->leg->id.($next->bushingIn !== null ? '.bi' : '.in');
    }

    /**
     * From the end's own face to the end of the pipe: nothing for a socket that is measured to its stop, the width of
     * the stop for a coupling on a
     * cut face, less than nothing where the pipe goes into a standing one; in a branch fitting of another run, from its
     * centre.
     */
    private function endTakeMm(RunEndKind $kind, string $size, ?EndJoint $joint, ?BranchSeat $seat): float
    {
        if ($seat !== null) {
            return $seat->takeMm;
        }
        if ($joint !== null) {
            return 0.0 - ($joint->reachMm() ?? 0.0);
        }

        return $kind === RunEndKind::Plain ? $this->system->coupling($size)->acrossMm ?? 0.0 : 0.0;
    }

    /** What the leg would measure with the bend at its end standing in the fitting at its start. */
    private function closeMm(float $outMm, ?Turn $next): ?float
    {
        $bend = $next?->bends[0] ?? null;
        if ($next === null || $bend === null || $next->bushingIn !== null) {
            return null;
        }
        $street =
            $bend->isStreet || $bend->hasSpigotOut()
                ? $bend
                : $this->system->bend($bend->pattern, $bend->size, true);

        return $street?->standMm() === null ? null : $outMm + $street->standMm();
    }

    /**
     * Whether a piece keeps a hub for what comes before it.
     *
     * @param string $joint at its upper end
     */
    private function keepsHub(string $joint): bool
    {
        return $this->system->hasHubs() &&
            match ($joint) {
                'outlet' => self::endKeepsHub($this->run->outlet->kind, $this->site->outlet, $this->site->outletSeat),
                'tie-in' => self::endKeepsHub($this->run->tieIn->kind, $this->site->tieIn, $this->site->tieInSeat),
                default => true,
            };
    }

    /** A cut end is enough in a socket, in a fitting of another run, and in the open. */
    private static function endKeepsHub(RunEndKind $kind, ?EndJoint $joint, ?BranchSeat $seat): bool
    {
        return match (true) {
            $seat !== null => false,
            $joint !== null => $joint->ours->kind === EndKind::Hub,
            default => $kind !== RunEndKind::Socket && $kind !== RunEndKind::Roof,
        };
    }

    private function isEndKnown(?EndJoint $joint, ?BranchSeat $seat, RunEndKind $kind): bool
    {
        return $seat !== null
            ? $seat->isKnown
            : ! in_array($kind, [RunEndKind::Standing, RunEndKind::Branch, RunEndKind::Run], true) ||
                    $joint?->reachMm() !== null ||
                    ($kind === RunEndKind::Run && $joint === null);
    }

    /** How far off what ends a leg may be: the next turn, or the fitting of another run that the last leg ends in. */
    private function doubtAtEnd(LegLine $line, ?Turn $next): Doubt
    {
        $isLast = $line->number === count($this->run->legs);

        return $next?->doubtIn() ?? (($isLast ? $this->site->tieInSeat?->doubt : null) ?? Doubt::none());
    }

    private function along(LegLine $line, float $mm): Vec3
    {
        return $this->at->plus($line->direction->times($mm));
    }
}
