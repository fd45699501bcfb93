<?php

declare(strict_types=1);

namespace FallBend\Core\Tests;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Job\Terminal;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Units;

/**
 * A generated block of flats: stacks of six storeys on one collector; in every flat ten fixtures on a line, each with
 * its arm and its vent. About 104 pieces a flat.
 */
final class FlatBlock
{
    private const STOREYS = 6;

    private const STOREY_MM = 3000.0;

    private const FIXTURES = [
        FixtureKind::Lavatory,
        FixtureKind::Bath,
        FixtureKind::WaterCloset,
        FixtureKind::Lavatory,
        FixtureKind::Shower,
        FixtureKind::WaterCloset,
        FixtureKind::KitchenSink,
        FixtureKind::Dishwasher,
        FixtureKind::ClothesWasher,
        FixtureKind::LaundryTub,
    ];

    /** Takes how many flats; gives the job, without marks. */
    public static function of(int $flats): Job
    {
        $stacks = (int) ceil($flats / self::STOREYS);
        $runs = [
            self::run('main', 'socket', 'socket', [self::leg('l1', Way::North, 3000.0 * $stacks + 3000)], '8', 'drain'),
        ];
        for ($s = 0; $s < $stacks; $s++) {
            $runs[] = self::run(
                "s{$s}",
                new End('roof', RunEndKind::Roof, terminal: new Terminal(300.0, 5000.0)),
                new End('collector', RunEndKind::Branch, branch: new BranchAt('main', 'l1', 1500.0 + 3000 * $s)),
                [self::leg('l1', Way::Down, self::STOREYS * self::STOREY_MM + 2000), self::leg('l2', Way::East, 2500)],
                '4',
                'drain',
            );
        }
        for ($f = 0; $f < $flats; $f++) {
            array_push($runs, ...self::flat($f));
        }

        return new Job('Block', '', Units::Inch, 'ipc-2021', $runs, [], []);
    }

    /** @return list<Run> */
    private static function flat(int $f): array
    {
        [$stack, $storey] = [intdiv($f, self::STOREYS), $f % self::STOREYS];
        $line = "f{$f}";
        $runs = [
            self::run(
                $line,
                'cap',
                new End(
                    'stack',
                    RunEndKind::Branch,
                    branch: new BranchAt("s{$stack}", 'l1', 1500 + self::STOREY_MM * $storey),
                ),
                [
                    self::leg('l1', Way::North, 13_000),
                    self::leg('l2', Way::Right, 1200),
                    self::leg('l3', Way::Left, 1100),
                ],
                '4',
                'drain',
            ),
        ];
        foreach (self::FIXTURES as $n => $kind) {
            $size = $kind === FixtureKind::WaterCloset ? '3' : '2';
            $id = "{$line}x{$n}";
            $runs[] = self::run(
                $id,
                new End(
                    $kind->value,
                    RunEndKind::Fixture,
                    fixture: new FixtureHead(
                        $kind,
                        TrapKind::usual($kind),
                        standpipeMm: $kind === FixtureKind::ClothesWasher ? 700.0 : null,
                        rimMm: 500.0,
                        group: $n < 3 ? 'a' : ($n < 6 ? 'b' : ''),
                    ),
                ),
                new End('line', RunEndKind::Branch, branch: new BranchAt($line, 'l1', 1000 + 1150.0 * $n)),
                [
                    self::leg('l1', Way::East, 420),
                    self::leg('l2', Way::North, 380),
                    self::leg('l3', Way::East, 400),
                    self::leg('l4', Way::North, 390),
                    self::leg('l5', Way::East, 600),
                ],
                $size,
                'fixture-drain',
            );
            $runs[] = self::run(
                "{$id}v",
                new End('vent', RunEndKind::Branch, branch: new BranchAt($id, 'l1', 210.0)),
                new End('valve', RunEndKind::Valve),
                [self::leg('l1', Way::Up, 900), self::leg('l2', Way::North, 500), self::leg('l3', Way::Up, 400)],
                $size === '3' ? '2' : '1-1/2',
                'vent',
            );
        }

        return $runs;
    }

    private static function leg(string $id, Way $way, float $mm): Leg
    {
        return new Leg($id, $way, null, Length::mm($mm));
    }

    /** @param list<Leg> $legs */
    private static function run(
        string $id,
        End|string $outlet,
        End|string $tieIn,
        array $legs,
        string $size,
        string $use,
    ): Run {
        $end = static fn (End|string $end): End => is_string($end) ? new End($end, RunEndKind::from($end)) : $end;

        return new Run(
            $id,
            $id,
            'pvc-dwv-40',
            $size,
            RunUse::from($use),
            null,
            $end($outlet),
            $end($tieIn),
            null,
            0.0,
            $legs,
            new Marks,
            count($legs) + 1,
        );
    }
}
