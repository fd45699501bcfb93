<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\FittingChoice;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Job\Way;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Length;

/**
 * Two ends inside a run: from the beginning of one leg to the end of another, or on from the end of the run to what was
 * measured from there. Everything is worked
 * out in a frame that begins at the first leg, looks along it in plan (y) and has the right hand for x, so that what
 * was measured over, up and along stays as it is.
 */
final readonly class InRun
{
    /** A leg steeper than this is called out as straight down or up. */
    private const PLUMB_DEG = 89.0;

    /** Headings that differ by less go straight on. */
    private const STRAIGHT_DEG = 0.02;

    private LegLaid $first;

    private LegLaid $last;

    /**
     * @param int $from number of the first leg, from 1
     * @param int $to number of the last one, not before it
     */
    public function __construct(public RunLayout $layout, private int $from, private int $to)
    {
        $this->first = $layout->legs[$from - 1];
        $this->last = $layout->legs[$to - 1];
    }

    /** Gives where the second end lies and where it leads, when it is the end of the last leg as it is called out. */
    public function endOfLast(): OpenEnd
    {
        return $this->end(
            $this->local($this->last->to()->minus($this->first->from)),
            $this->local($this->last->line->direction),
        );
    }

    /**
     * Gives the second end as it was measured from where the run ends now, to where it is to end: along its heading,
     * over to the right, down.
     *
     * @param float $turnDeg how far it heads to the right of the run's last heading
     * @param ?float $fallMmPerM null: it leads straight down
     */
    public function measured(float $alongMm, float $overMm, float $downMm, float $turnDeg, ?float $fallMmPerM): OpenEnd
    {
        $end = $this->local($this->last->to()->minus($this->first->from));
        // Measured along the last heading; the frame looks along the first.
        $turn = $this->last->line->headingDeg - $this->first->line->headingDeg;
        $forward = Vec3::direction($turn, 0.0);
        $right = Vec3::direction($turn + 90.0, 0.0);
        $at = $end->plus($forward->times($alongMm))->plus($right->times($overMm))->plus(new Vec3(0.0, 0.0, -$downMm));

        return $this->end(
            $at,
            $fallMmPerM === null
                ? new Vec3(0.0, 0.0, -1.0)
                : Vec3::direction($turn + $turnDeg, rad2deg(atan($fallMmPerM / 1000))),
        );
    }

    /**
     * Gives the problem between the two.
     *
     * @param list<Box> $boxes in the frame of the first leg
     * @param ?float $fallLeast null: what the rulebook asks for
     */
    public function problem(
        OpenEnd $to,
        Catalogue $catalogue,
        Rulebook $rulebook,
        int $maxBends,
        ?float $fallLeast,
        float $clearanceMm,
        array $boxes,
    ): Problem {
        $system = $this->layout->system;
        $pipe = $system->pipe($this->first->line->size);
        $least =
            $this->layout->run->use === RunUse::Vent
                ? null
                : $fallLeast ?? $rulebook->forSize('fall.least', $pipe->size, $system->key)?->value;

        return new Problem(
            $this->end(new Vec3(0.0, 0.0, 0.0), $this->local($this->first->line->direction)),
            $to,
            Turnings::list($system, $pipe->size),
            $maxBends,
            max(2 * $pipe->socketDepthMm, $this->first->leastMm, $this->last->leastMm),
            $catalogue->jointPlay($system)->value,
            $least,
            $rulebook->forSize('fall.most', $pipe->size, $system->key)?->value,
            $boxes,
            $pipe->outsideMm / 2 + $clearanceMm,
            $system->coupling($pipe->size)->acrossMm ?? 0.0,
            [],
            $this->takeAtStart(),
            $this->takeAtEnd(),
        );
    }

    /**
     * Gives the legs that a solution makes of the run: those before and after as they were, the first and the last keep
     * their ids.
     *
     * @return array{list<Leg>, int} legs, and the number of the next new leg
     */
    public function legs(Solution $solution): array
    {
        [$next, $heading, $made] = [$this->layout->run->nextLeg, $this->first->line->headingDeg, []];
        $count = count($solution->directions);
        foreach ($solution->directions as $i => $u) {
            if ($i === 0) {
                $made[] = $this->firstLeg($solution->lengths[0]);

                continue;
            }
            $isLast = $i === $count - 1 && $this->to > $this->from;
            $id = $isLast ? $this->last->line->leg->id : 'l'.$next++;
            [$leg, $heading] = $this->leg(
                $id,
                $u,
                $heading,
                $solution,
                $i,
                $isLast ? $this->last->line->leg->what : '',
            );
            $made[] = $leg;
        }
        $legs = $this->layout->run->legs;

        return [[...array_slice($legs, 0, $this->from - 1), ...$made, ...array_slice($legs, $this->to)], $next];
    }

    /** The first leg as it was, only as long as the solution has it; what was left open for the levels is said now. */
    private function firstLeg(float $lengthMm): Leg
    {
        $old = $this->first->line->leg;
        $isUpright = $old->way->isUpright();

        return new Leg(
            $old->id,
            $old->way,
            $old->turnDeg,
            Length::mm($lengthMm),
            false,
            $isUpright ? null : tan(deg2rad($this->first->line->dipDeg)) * 1000,
            null,
            $old->size,
            $old->fitting,
            false,
            $old->what,
        );
    }

    /** @return array{Leg, float} and the heading after it */
    private function leg(string $id, Vec3 $u, float $heading, Solution $solution, int $i, string $what): array
    {
        $dip = $u->dipDeg();
        $fitting = FittingChoice::of([$solution->bends()[$i - 1]->pattern]);
        $isClose = $solution->sequence->close[$i];
        $length = $isClose ? null : Length::mm($solution->lengths[$i]);
        if (abs($dip) > self::PLUMB_DEG) {
            return [
                new Leg(
                    $id,
                    $dip > 0 ? Way::Down : Way::Up,
                    null,
                    $length,
                    fitting: $fitting,
                    isClose: $isClose,
                    what: $what,
                ),
                $heading,
            ];
        }
        $new = fmod($this->first->line->headingDeg + $u->headingDeg(), 360.0);
        $turn = fmod($new - $heading + 540.0, 360.0) - 180.0;
        $fall = tan(deg2rad($dip)) * 1000;

        return match (true) {
            abs($turn) < self::STRAIGHT_DEG => [
                new Leg($id, Way::On, null, $length, false, $fall, fitting: $fitting, isClose: $isClose, what: $what),
                $heading,
            ],
            abs($turn) > 180.0 - self::STRAIGHT_DEG => [
                new Leg($id, Way::Back, null, $length, false, $fall, fitting: $fitting, isClose: $isClose, what: $what),
                $new,
            ],
            default => [
                new Leg(
                    $id,
                    $turn > 0 ? Way::Right : Way::Left,
                    abs($turn),
                    $length,
                    false,
                    $fall,
                    fitting: $fitting,
                    isClose: $isClose,
                    what: $what,
                ),
                $new,
            ],
        };
    }

    private function end(Vec3 $at, Vec3 $along): OpenEnd
    {
        return new OpenEnd($at, $along, $this->layout->system->key, $this->first->line->size, 'hub');
    }

    /** A vector of the run's frame in that of the first leg. */
    private function local(Vec3 $v): Vec3
    {
        [$sin, $cos] = [sin(deg2rad($this->first->line->headingDeg)), cos(deg2rad($this->first->line->headingDeg))];

        return new Vec3($v->x * $cos - $v->y * $sin, $v->x * $sin + $v->y * $cos, $v->z);
    }

    /**
     * What the fitting at the beginning of the first leg takes up of it; where branches stand on that leg, all of it up
     * to the last of them, which stays where it is.
     */
    private function takeAtStart(): float
    {
        $pieces = $this->piecesOf($this->first);
        $piece = $pieces[0] ?? null;
        foreach ($pieces as $one) {
            $piece = $this->layout->fittingAt($one->jointFrom)?->part instanceof Branch ? $one : $piece;
        }

        return $piece === null
            ? 0.0
            : max(0.0, $piece->from->minus($this->first->from)->dot($this->first->line->direction));
    }

    /** What the fitting at the end of the last leg takes up of it. */
    private function takeAtEnd(): float
    {
        $pieces = $this->piecesOf($this->last);
        $piece = $pieces[count($pieces) - 1] ?? null;

        return $piece === null
            ? 0.0
            : max(0.0, $this->last->to()->minus($piece->to())->dot($this->last->line->direction));
    }

    /** @return list<Piece> */
    private function piecesOf(LegLaid $leg): array
    {
        return array_values(
            array_filter(
                $this->layout->pieces,
                static fn (Piece $piece): bool => $piece->leg === $leg->line->number && ! $piece->isBetweenPair,
            ),
        );
    }
}
