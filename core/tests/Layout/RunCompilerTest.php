<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Way;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Length;
use FallBend\Core\Rules\LegImpossibleRule;
use FallBend\Core\Rules\PieceTooShortRule;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class RunCompilerTest extends TestCase
{
    public function testALevelTurnTakesOneBendAndCutsToTheStops(): void
    {
        $layout = Fixtures::layout('north 40 / right 30');
        [$a, $b] = $layout->pieces;
        $bend = $layout->fittings[0]->part;
        self::assertInstanceOf(Bend::class, $bend);
        self::assertSame(
            'long-sweep',
            $bend->pattern,
            'a short 90 from level to level is for the drain of one fixture',
        );
        self::assertEqualsWithDelta(40 * 25.4 - $bend->takeOffMm, $a->cutMm, 1e-6);
        self::assertEqualsWithDelta(30 * 25.4 - $bend->takeOffMm, $b->cutMm, 1e-6);
        self::assertSame(['A', 'B'], [$a->letter, $b->letter]);
        self::assertSame([1, 2, 3, 4], array_map(static fn ($joint): int => $joint->number, $layout->joints));
        self::assertEqualsWithDelta((90 - 88.8) / 2, $layout->fittings[0]->strainDeg, 0.03);
    }

    public function testTheShortBendSuitsTheDrainOfOneFixture(): void
    {
        $part = Fixtures::layout('north 40 / right 30', ['use' => 'fixture-drain'])->fittings[0]->part;
        self::assertSame('quarter/2', $part->id);
    }

    public function testAPitchedBendFitsAFallingLegWithoutStrain(): void
    {
        $bend = Fixtures::layout('north 40 fall 1/4 / down 30')->fittings[0];
        self::assertSame('quarter/2', $bend->part->id);
        self::assertEqualsWithDelta(0.0, $bend->strainDeg, 0.005);
    }

    public function testStopToStopLengthsAreTheCutLengths(): void
    {
        $piece = Fixtures::layout('north 40 / right 30 to stop / left 20')->pieces[1];
        self::assertEqualsWithDelta(30 * 25.4, $piece->cutMm, 1e-6);
    }

    public function testAnOddAngleTakesARolledPairThatFalls(): void
    {
        $layout = Fixtures::layout('north 40 / right 70° 30');
        self::assertSame(
            ['eighth/2', 'eighth/2'],
            array_map(static fn (Fitting $f): string => $f->part->id, $layout->fittings),
        );
        [$first, $second] = $layout->fittings;
        self::assertEqualsWithDelta(45, $first->in->angleTo($first->out), 1e-6);
        self::assertEqualsWithDelta(45, $second->in->angleTo($second->out), 1e-6);
        self::assertLessThan(0, $first->out->z, 'the piece between falls');
        $between = $layout->pieces[1];
        self::assertTrue($between->isBetweenPair);
        self::assertEqualsWithDelta(2 * 19.05, $between->cutMm, 1e-6, 'two socket depths');
        $legs = $layout->legs;
        $drop = $legs[0]->dropMm() + $legs[1]->dropMm() - $first->out->z * $legs[1]->turn?->betweenMm;
        self::assertEqualsWithDelta($drop, $layout->fallMm(), 1e-6, 'its drop counts in the fall of the run');
        self::assertEqualsWithDelta((deg2rad((float) $second->rollDeg) * 60.325) / 2, $second->markMm, 1e-6);
    }

    public function testLeftAndRightOnAnUprightLegGoByTheLastLevelHeading(): void
    {
        $legs = Fixtures::layout('east 40 / down 30 / left 20 / down 20 / ahead 20')->legs;
        self::assertSame(
            [90.0, 90.0, 0.0, 0.0, 0.0],
            array_map(static fn ($leg): float => $leg->line->headingDeg, $legs),
        );
    }

    public function testALegLongerThanAStickIsCoupled(): void
    {
        $layout = Fixtures::layout("north 24' fall 1/4");
        $cuts = array_map(static fn ($piece): float => $piece->cutMm, $layout->pieces);
        self::assertCount(3, $cuts);
        self::assertSame([3048.0, 3048.0], array_slice($cuts, 0, 2));
        self::assertEqualsWithDelta(24 * 304.8, array_sum($cuts) + 2 * 3.175, 1e-6);
    }

    public function testAScrapAtTheEndIsSharedByTheLastTwo(): void
    {
        $cuts = array_map(
            static fn ($piece): float => $piece->cutMm,
            Fixtures::layout("north 10' 1/2 fall 1/4")->pieces,
        );
        self::assertCount(2, $cuts);
        self::assertEqualsWithDelta($cuts[0], $cuts[1], 1e-9);
        self::assertEqualsWithDelta(3048 + 12.7, array_sum($cuts) + 3.175, 1e-6);
    }

    public function testASizeChangeTakesABushingInTheLargerFitting(): void
    {
        $layout = Fixtures::layout('north 40 / right 30 size 3');
        self::assertSame(
            ['bushing/3x2', 'long-sweep/3'],
            array_map(static fn (Fitting $f): string => $f->part->id, $layout->fittings),
        );
        self::assertEqualsWithDelta(40 * 25.4 - $layout->fittings[1]->intoMm - 3.175, $layout->pieces[0]->cutMm, 1e-6);
        self::assertSame(['2', '3'], array_map(static fn ($piece): string => $piece->size, $layout->pieces));
    }

    public function testAPlainEndTakesACouplingAndATrapAdapterStandsAtTheOutlet(): void
    {
        $layout = Fixtures::layout('north 40', [
            'size' => '1-1/2',
            'outlet' => new End('tube', RunEndKind::TrapAdapter),
            'tieIn' => new End('stub', RunEndKind::Plain),
        ]);
        self::assertSame(
            ['trap-adapter/1-1/2', 'coupling/1-1/2'],
            array_map(static fn (Fitting $f): string => $f->part->id, $layout->fittings),
        );
        self::assertEqualsWithDelta(40 * 25.4 - 3.175, $layout->pieces[0]->cutMm, 1e-6);
        self::assertCount(3, $layout->joints);
    }

    public function testACloseLegHasNoPipeAndOneJoint(): void
    {
        $layout = Fixtures::layout('north 40 / right close / left 30');
        self::assertSame(['A', 'B'], array_map(static fn ($piece): string => $piece->letter, $layout->pieces));
        [$first, $second] = $layout->fittings;
        self::assertTrue($second->stands);
        self::assertEqualsWithDelta($first->outOfMm + $second->intoMm, $second->at->minus($first->at)->length(), 1e-6);
        self::assertCount(5, $layout->joints);
    }

    public function testMarksStayWithTheirPlaceAndAreNeverUsedAgain(): void
    {
        $run = Fixtures::laid(Fixtures::run('north 40 / right 30 / left 20'))->run;
        $letters = static fn (RunLayout $layout): array => array_map(
            static fn ($piece): string => $piece->letter,
            $layout->pieces,
        );
        $reader = new \FallBend\Core\CallOut\CallOutReader(\FallBend\Core\Measure\Units::Inch, Fixtures::SIZES);
        $inserted = Fixtures::laid($reader->apply($run, 'north 40 / down 12 / right 30 / left 20'));
        self::assertSame(['A', 'D', 'B', 'C'], $letters($inserted));
        $removed = Fixtures::laid($reader->apply($inserted->run, 'north 40 / right 30 / left 20'));
        self::assertSame(['A', 'B', 'C'], $letters($removed));
        $again = Fixtures::laid($reader->apply($removed->run, 'north 40 / right 30 / left 20 / down 9'));
        self::assertSame(['A', 'B', 'C', 'E'], $letters($again));
    }

    public function testLevelsAtEveryJointGoDownWithTheFall(): void
    {
        $layout = Fixtures::layout('north 48 fall 1/4 / down 24 / ahead 24 fall 1/4');
        $levels = array_map(static fn ($joint): float => $joint->at->z, $layout->joints);
        $sorted = $levels;
        rsort($sorted);
        self::assertSame($sorted, $levels);
        self::assertEqualsWithDelta(24 * 25.4 + 72 * 25.4 * sin(atan(1 / 48)), $layout->fallMm(), 1e-6);
    }

    public function testAThousandPossibleRunsAddUpAndClose(): void
    {
        $random = new Randomizer(new Mt19937(20261123));
        for ($n = 0; $n < 1000; $n++) {
            $layout = Fixtures::laid(Fixtures::runOf(self::possibleLegs($random)));
            foreach ($layout->legs as $leg) {
                self::assertNull($leg->turn?->trouble, "run {$n}");
                self::assertSame(0.0, $leg->shortfallMm(), "run {$n} leg {$leg->line->number}");
                $this->assertLegAddsUp($layout, $leg->line->number, "run {$n} leg {$leg->line->number}");
            }
            $this->assertDirectionsClose($layout, "run {$n}");
        }
    }

    public function testTwoHundredImpossibleRunsNameTheLegAndTheShortfall(): void
    {
        $random = new Randomizer(new Mt19937(4711));
        $rules = [new LegImpossibleRule, new PieceTooShortRule];
        $book = \FallBend\Core\Catalog\Catalogue::shipped()->rulebook('ipc-2021');
        for ($n = 0; $n < 200; $n++) {
            $legs = self::possibleLegs($random);
            $whole = Fixtures::laid(Fixtures::runOf($legs));
            $at = $random->getInt(0, count($legs) - 1);
            $laid = $whole->legs[$at];
            $short = $random->getInt(1, (int) ($laid->leastMm + 20));
            // As long as the fittings at its ends and the least piece need, less what shall be missing.
            $length = $laid->centreMm - $laid->spanMm + $laid->leastMm - $short;
            if ($length <= 1) {
                continue;
            }
            $legs[$at] = new Leg(
                $legs[$at]->id,
                $legs[$at]->way,
                $legs[$at]->turnDeg,
                Length::mm($length),
                fallMmPerM: $legs[$at]->fallMmPerM,
            );
            $findings = array_merge(
                ...array_map(
                    static fn ($rule): array => $rule->judge(
                        Fixtures::laid(Fixtures::runOf(array_values($legs))),
                        $book,
                    ),
                    $rules,
                ),
            );
            self::assertCount(1, $findings, "run {$n}");
            self::assertSame($at + 1, $findings[0]->where->leg, "run {$n}");
            self::assertEqualsWithDelta($short, $findings[0]->params['shortfall_mm'], 0.001, "run {$n}");
        }
    }

    /** Along the leg: where its first fitting lets the pipe in, pieces and stops, to where the next lets it end. */
    private function assertLegAddsUp(RunLayout $layout, int $number, string $what): void
    {
        $leg = $layout->legs[$number - 1];
        $pieces = array_values(
            array_filter($layout->pieces, static fn ($piece): bool => $piece->leg === $number && ! $piece->isBetweenPair),
        );
        $stops = count($pieces) - 1;
        $sum = array_sum(array_map(static fn ($piece): float => $piece->cutMm, $pieces)) + $stops * 3.175;
        $out = $pieces[0]->from->minus($leg->from)->length();
        $in = $leg->to()->minus($pieces[$stops]->to())->length();
        self::assertEqualsWithDelta($leg->line->leg->length?->toMm(), $out + $sum + $in, 0.01, $what);
        $before = array_values(
            array_filter(
                $layout->fittings,
                static fn (Fitting $f): bool => $f->key === "{$leg->line->leg->id}.a" ||
                    $f->key === "{$leg->line->leg->id}.b",
            ),
        );
        $last = $before === [] ? null : $before[count($before) - 1];
        self::assertEqualsWithDelta($last->outOfMm ?? 0.0, $out, 0.01, $what.', take-off at its start');
    }

    private function assertDirectionsClose(RunLayout $layout, string $what): void
    {
        $direction = null;
        $at = new Vec3(0, 0, 0);
        $fittings = [];
        foreach ($layout->fittings as $fitting) {
            $fittings[$fitting->key] = $fitting;
        }
        $pieces = [];
        foreach ($layout->pieces as $piece) {
            $pieces[$piece->key] = $piece;
        }
        foreach ($layout->sequence as $key) {
            if (isset($pieces[$key])) {
                $piece = $pieces[$key];
                self::assertLessThan(
                    0.01,
                    $piece->from->minus($at)->length(),
                    "{$what} {$key} begins where the part before ends",
                );
                self::assertLessThan(
                    1e-6,
                    $piece->direction->angleTo($direction ?? $piece->direction),
                    "{$what} {$key}",
                );
                [$at, $direction] = [$piece->to(), $piece->direction];
            } else {
                $fitting = $fittings[$key];
                self::assertLessThan(
                    0.01,
                    $fitting->at->minus($fitting->in->times($fitting->intoMm))->minus($at)->length(),
                    "{$what} {$key}",
                );
                self::assertLessThan(1e-6, $fitting->in->angleTo($direction ?? $fitting->in), "{$what} {$key}");
                if ($fitting->part instanceof Bend) {
                    self::assertEqualsWithDelta(
                        $fitting->part->turnDeg,
                        $fitting->in->angleTo($fitting->out),
                        2 * $fitting->strainDeg + 1e-6,
                        "{$what} {$key} turns what it turns, but for its strain",
                    );
                    self::assertLessThanOrEqual(0.75, $fitting->strainDeg);
                }
                [$at, $direction] = [$fitting->at->plus($fitting->out->times($fitting->outOfMm)), $fitting->out];
            }
        }
        self::assertLessThan(0.01, $layout->end->minus($at)->length(), $what);
    }

    /** @return list<Leg> legs long enough for any fittings, turned by anything that can be made */
    private static function possibleLegs(Randomizer $random): array
    {
        $legs = [];
        $upright = false;
        for ($i = 1, $count = $random->getInt(2, 7); $i <= $count; $i++) {
            $down = ! $upright && $random->getInt(0, 3) === 0;
            $angles = [22.5, 45.0, 60.0, 90.0, (float) $random->getInt(5, 120)];
            $way = match (true) {
                $i === 1 => Way::East,
                $down => Way::Down,
                $upright => [Way::Left, Way::Right, Way::Ahead][$random->getInt(0, 2)],
                default => [Way::Left, Way::Right, Way::On][$random->getInt(0, 2)],
            };
            $turn = $way === Way::Left || $way === Way::Right ? $angles[$random->getInt(0, 4)] : null;
            $fall = $down ? null : [1000 / 48, 1000 / 96, 40.0][$random->getInt(0, 2)];
            $legs[] = new Leg("l{$i}", $way, $turn, Length::mm($random->getInt(400, 9000)), fallMmPerM: $fall);
            $upright = $down;
        }

        return $legs;
    }
}
