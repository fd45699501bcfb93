<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\JointNames;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Tests\Fixtures;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Runs of hub-and-spigot iron: water comes into a hub and leaves by a spigot, so every piece keeps a hub at its upper
 * end, and pieces go into one another without a coupling.
 */
final class HubRunTest extends TestCase
{
    private const PIPE = ['system' => 'ci-hub-service', 'size' => '4'];

    private const HUB_MM = 76.2;

    public function testPiecesGoFromHubToHubWithoutCouplings(): void
    {
        $layout = Fixtures::layout("south 20' fall 1/4 / right 45° 5' fall 1/4", [
            ...self::PIPE,
            'outlet' => new End('cleanout', RunEndKind::Cleanout),
        ]);
        $fittings = array_map(static fn (Fitting $one): string => $one->part->id, $layout->fittings);
        self::assertSame(['eighth/4'], $fittings);
        self::assertCount(3, $layout->pieces, '10 ft, what is left of 20, and 5');
        self::assertSame(
            ['A to cleanout', 'A into the hub of B', 'B into the 45', '45 to C', 'C to stack'],
            self::names($layout),
        );
        self::assertSame([true, true, true], self::hubs($layout));
        foreach ($layout->pieces as $piece) {
            self::assertSame(0.0, $piece->depthFromMm);
            self::assertSame(self::HUB_MM, $piece->depthToMm, 'a line at its spigot only');
            self::assertSame($piece->cutMm + self::HUB_MM, $piece->fromFaceMm($piece->cutMm));
        }
        // 4 in bends of A74: 2 3/16 in to the bottom of the hub, 5 11/16 in to the end of the spigot.
        [$bend] = $layout->fittings;
        self::assertEqualsWithDelta([2.1875 * 25.4, 5.6875 * 25.4], [$bend->intoMm, $bend->outOfMm], 1e-9);
        [$first, $second, $third] = $layout->pieces;
        self::assertEqualsWithDelta($layout->legs[0]->centreMm, $first->cutMm + $second->cutMm + $bend->intoMm, 1e-6);
        self::assertEqualsWithDelta($layout->legs[1]->centreMm, $bend->outOfMm + $third->cutMm, 1e-6);
        self::assertSame(3048.0, $first->cutMm, 'the longest stick: every hub is a joint');
    }

    public function testAVentThatIsCalledOutUpwardsHasItsHubsAboveAsWell(): void
    {
        $with = [...self::PIPE, 'use' => RunUse::Vent, 'tieIn' => new End('roof', RunEndKind::Roof)];
        $up = Fixtures::layout("up 10' / north 10'", $with);
        self::assertTrue($up->run->rises());
        self::assertSame([null, false], [$up->pieces[1]->hub?->isAtStart, $up->pieces[0]->hub?->isAtStart]);
        [$fitting] = $up->fittings;
        $bend = Catalogue::shipped()->system('ci-hub-service')->bends[$fitting->part->id];
        self::assertSame([$bend->spigotMm, $bend->takeOffMm], [$fitting->intoMm, $fitting->outOfMm]);
        self::assertGreaterThan($fitting->outOfMm, $fitting->intoMm, 'its spigot is below');
        self::assertSame(
            [self::HUB_MM, 0.0],
            [$up->pieces[0]->depthFromMm, $up->pieces[0]->depthToMm],
            'its spigot goes down',
        );
        self::assertContains('B into the hub of A', self::names(Fixtures::layout("up 24' / north 10'", $with)));
    }

    public function testFittingsGoIntoOneAnotherWithoutAnyPipe(): void
    {
        $layout = Fixtures::layout("south 5' fall 1/4 / right 45° close / right 45° 5' fall 1/4", self::PIPE);
        self::assertCount(2, $layout->fittings);
        self::assertCount(2, $layout->pieces);
        $between = $layout->fittings[0]->at->minus($layout->fittings[1]->at)->length();
        self::assertEqualsWithDelta((2.1875 + 5.6875) * 25.4, $between, 1e-6, 'spigot of one, hub of the other');
    }

    /** @return iterable<string, array{string, string, EndKind, ?string}> end that stands, side, ours, method */
    public static function standing(): iterable
    {
        yield 'a cut end above: our hub goes over it' => ['plain', 'outlet', EndKind::Hub, 'hub-gasket'];
        yield 'a hub below: our spigot goes into it' => ['hub', 'tie_in', EndKind::Plain, 'hub-gasket'];
        yield 'a cut end below: a coupling' => ['plain', 'tie_in', EndKind::Plain, 'shielded-transition'];
    }

    #[DataProvider('standing')]
    public function testWhatStandsIsMetByAHubOrASpigot(string $end, string $side, EndKind $ours, ?string $method): void
    {
        $document = (new JobFile(Catalogue::shipped()))->document(
            CaseJob::of('upc-2021', ['r' => ['socket', "south 8' fall 1/4", 'socket', self::PIPE]]),
        );
        $document['standing'] = [
            ['id' => 's1', 'name' => 'iron', 'system' => 'ci-hub-service', 'size' => '4', 'end' => $end],
        ];
        $document['runs'][0][$side] = ['what' => 'iron', 'kind' => 'standing', 'standing' => 's1'];
        $layout = self::evaluated($document)->run('r');
        $joint = $side === 'outlet' ? $layout->site->outlet : $layout->site->tieIn;
        self::assertSame($ours, $joint?->ours->kind);
        self::assertSame($method, $joint->offer?->method->value);
        [$piece] = $layout->pieces;
        self::assertSame($ours === EndKind::Hub, $piece->hub !== null);
        $reaches = ['plain outlet' => 0.0, 'hub tie_in' => self::HUB_MM];
        if (isset($reaches["{$end} {$side}"])) {
            self::assertEqualsWithDelta(2438.4 + $reaches["{$end} {$side}"], $piece->cutMm, 0.1);
        }
    }

    public function testItIsCutFromSticksThatHaveAHubForEveryPieceAndGasketsAreBought(): void
    {
        $evaluated = self::evaluated((new JobFile(Catalogue::shipped()))->document(CaseJob::of('upc-2021', [
            'house' => ['cleanout', "south 12' fall 1/4 / right 45° 3' fall 1/4", 'socket', self::PIPE],
            'stack' => ['roof', "down 4'", 'house 1 600', self::PIPE],
        ])));
        $report = $evaluated->cutting()->ofRun('house');
        [$group] = $report['groups'];
        $hubs = ['single hub' => 1, 'double hub' => 2];
        $keepOne = [];
        foreach (['house', 'stack'] as $run) {
            foreach ($evaluated->run($run)->pieces as $piece) {
                $keepOne[$piece->letter] = $piece->hub !== null;
            }
        }
        foreach ($group['sticks'] as $stick) {
            $kept = array_filter($stick['cuts'], static fn (array $cut): bool => $keepOne[$cut['letter']]);
            self::assertLessThanOrEqual($hubs[$stick['hubs']], count($kept));
            // Both hubs of a stick that has two are within the length that it is called by.
            $room = $stick['length']['mm'] - ($hubs[$stick['hubs']] - 1) * self::HUB_MM;
            self::assertLessThanOrEqual($room, array_sum(array_map(
                static fn (array $cut): float => $cut['length']['mm'],
                $stick['cuts'],
            )));
        }
        self::assertTrue($group['optimal']);
        $lines = array_column($evaluated->ticket('house')->pieces(), 'lines', 'letter');
        $long = $report['pieces'][0]['long']['mm'] ?? 0.0;
        self::assertContains(
            'cut '.self::inches($long + self::HUB_MM).' in from the face of its hub',
            $lines[$report['pieces'][0]['letter']],
        );
        self::assertContains('joint 1.1: its hub', $lines[$report['pieces'][0]['letter']]);
        $rows = array_column($evaluated->materials()->rows(), 'count', 'what');
        $joints = count($evaluated->run('house')->joints) + count($evaluated->run('stack')->joints) - 1;
        self::assertSame($joints, $rows['hub gasket, service'], 'one to every joint but the open end above the roof');
        $sticks = preg_grep("/^Service iron, (5|10)', (single|double) hub$/", array_keys($rows));
        self::assertCount(
            count($group['sticks']),
            array_merge(...array_map(
                static fn (string $row): array => array_fill(0, $rows[$row], $row),
                array_values($sticks ?: []),
            )),
        );
    }

    public function testItGoesTogetherWhereOneEndIsFree(): void
    {
        $report = CaseJob::evaluation(CaseJob::of('upc-2021', [
            'house' => ['cleanout', "south 12' fall 1/4 / right 45° 3' fall 1/4", 'socket', self::PIPE],
        ]));
        self::assertSame('start', $report['runs'][0]['system']['hubs']);
        self::assertSame([], array_values(array_filter(
            $report['runs'][0]['findings'],
            static fn (array $finding): bool => $finding['severity'] === 'stop',
        )));
    }

    /** @param array<string, mixed> $document */
    private static function evaluated(array $document): EvaluatedJob
    {
        $catalogue = Catalogue::shipped();
        $job = (new JobFile($catalogue))->parse(json_encode($document, JSON_THROW_ON_ERROR));
        self::assertInstanceOf(Job::class, $job);

        return (new JobEvaluator($catalogue))->evaluate($job);
    }

    /** @return list<string> */
    private static function names(RunLayout $layout): array
    {
        return array_map((new JointNames($layout))->nameOf(...), $layout->joints);
    }

    /** @return list<?bool> whether each piece has its hub where it begins */
    private static function hubs(RunLayout $layout): array
    {
        return array_map(static fn (Piece $piece): ?bool => $piece->hub?->isAtStart, $layout->pieces);
    }

    private static function inches(float $mm): string
    {
        $sixteenths = (int) round($mm / 25.4 * 16);
        [$whole, $over, $of] = [intdiv($sixteenths, 16), $sixteenths % 16, 16];
        while ($over > 0 && $over % 2 === 0) {
            [$over, $of] = [intdiv($over, 2), intdiv($of, 2)];
        }

        return $over === 0 ? (string) $whole : "{$whole} {$over}/{$of}";
    }
}
