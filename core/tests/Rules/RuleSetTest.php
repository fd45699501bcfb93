<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules;

use FallBend\Core\Job\End;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Units;
use FallBend\Core\Tests\Fixtures;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Wording;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every rule on both sides of its limit. */
final class RuleSetTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, array<string, mixed>, string, ?string, ?int}> rulebook, call-out,
     *     run, rule, severity, leg
     */
    public static function cases(): iterable
    {
        $small = ['size' => '1-1/2'];
        $four = ['size' => '4'];
        yield 'IPC has no number for a metric size' => [
            'ipc-2021',
            'north 40 fall 1/4',
            ['system' => 'pvcu-soil', 'size' => '110'],
            'fall.leastNotKnown',
            'unknown',
            1,
        ];
        yield 'IPC 2 in at 1/4' => ['ipc-2021', 'north 40 fall 1/4', [], 'fall.least', null, null];
        yield 'IPC 2 in at 3/16' => ['ipc-2021', 'north 40 fall 3/16', [], 'fall.least', 'stop', 1];
        yield 'IPC 3 in at 1/8' => ['ipc-2021', 'north 40 fall 1/8', ['size' => '3'], 'fall.least', null, null];
        yield 'IPC 3 in at 1/16' => ['ipc-2021', 'north 40 fall 1/16', ['size' => '3'], 'fall.least', 'stop', 1];
        yield 'UPC 3 in at 1/8' => ['upc-2021', 'north 40 fall 1/8', ['size' => '3'], 'fall.least', 'stop', 1];
        yield 'UPC 4 in at 1/8 wants approval' => [
            'upc-2021',
            'north 40 fall 1/8',
            $four,
            'fall.byApproval',
            'warn',
            1,
        ];
        yield 'UPC 4 in at 1/16 is no matter of approval' => [
            'upc-2021',
            'north 40 fall 1/16',
            $four,
            'fall.least',
            'stop',
            1,
        ];
        yield 'UPC 4 in at 1/4' => ['upc-2021', 'north 40 fall 1/4', $four, 'fall.byApproval', null, null];
        $waste = ['system' => 'pp-push-fit', 'size' => '40'];
        yield 'AD H 40 mm at 18' => ['adh-2015', 'north 1000mm fall 18 mm/m', $waste, 'fall.least', null, null];
        yield 'AD H 40 mm at 17' => ['adh-2015', 'north 1000mm fall 17 mm/m', $waste, 'fall.least', 'stop', 1];
        yield 'AD H 40 mm at 90' => ['adh-2015', 'north 1000mm fall 90 mm/m', $waste, 'fall.most', null, null];
        yield 'AD H 40 mm at 100' => ['adh-2015', 'north 1000mm fall 100 mm/m', $waste, 'fall.most', 'warn', 1];
        yield 'an offset is no leg that falls too much' => [
            'adh-2015',
            'north 1000mm fall 400 mm/m',
            $waste,
            'fall.most',
            null,
            null,
        ];
        yield 'IPC has no most' => ['ipc-2021', 'north 40 fall 2', [], 'fall.most', null, null];
        yield 'AD H drain in the ground, 1 in 100: less than any flow makes up for' => [
            'adh-2015',
            'north 1000mm fall 10 mm/m',
            ['system' => 'pvcu-underground', 'size' => '110'],
            'fall.least',
            'stop',
            1,
        ];
        yield 'AD H soil pipe of the same size' => [
            'adh-2015',
            'north 1000mm fall 20 mm/m',
            ['system' => 'pvcu-soil', 'size' => '110'],
            'fall.byApproval',
            null,
            null,
        ];
        yield 'a drop that is enough' => ['ipc-2021', "north 4' drop 1", [], 'fall.least', null, null];
        yield 'a drop that is not' => ['ipc-2021', "north 4' drop 7/8", [], 'fall.least', 'stop', 1];
        yield 'upright needs no fall' => ['ipc-2021', 'down 40', [], 'fall.least', null, null];
        $soil = ['system' => 'pvcu-soil', 'size' => '110'];
        yield 'level of a size without a number' => ['ipc-2021', 'north 40 level', $soil, 'fall.none', 'stop', 1];
        yield 'drawn level because nobody knows better' => ['ipc-2021', 'north 40', $soil, 'fall.none', null, null];
        yield 'it is not known then' => ['ipc-2021', 'north 40', $soil, 'fall.leastNotKnown', 'unknown', 1];
        yield 'level' => ['ipc-2021', 'north 40 level', [], 'fall.none', 'stop', 1];
        yield 'hardly falling is not level' => ['ipc-2021', 'north 40 fall 1 mm/m', [], 'fall.none', null, null];
        yield 'rising' => ['ipc-2021', 'north 40 rise 1', [], 'fall.back', 'stop', 1];
        yield 'straight up' => ['ipc-2021', 'north 40 fall 1/4 / up 30', [], 'fall.back', 'stop', 2];
        yield 'straight down' => ['ipc-2021', 'north 40 fall 1/4 / down 30', [], 'fall.back', null, null];
        yield 'both mirrored rolls rise' => [
            'ipc-2021',
            'north 40 fall 1/4 / up 70° 30',
            [],
            'fall.backBetween',
            'stop',
            2,
        ];
        yield 'a pair that falls' => ['ipc-2021', 'north 40 / right 70° 30', [], 'fall.backBetween', null, null];
        yield 'reduced' => ['ipc-2021', 'north 40 size 3 / right 40 size 2', [], 'size.reduced', 'stop', 2];
        $closetBend = 'down 12 / east 60 fall 1/4 with a closet bend 4x3';
        yield 'IPC closet bend' => ['ipc-2021', $closetBend, $four, 'size.reduced', null, null];
        yield 'UPC closet bend' => ['upc-2021', $closetBend, $four, 'size.reduced', null, null];
        yield 'NPC closet bend' => ['npc-2020', $closetBend, $four, 'size.closetBendNotKnown', 'unknown', 2];
        yield 'IPC a closet bend that lies level reduces' => [
            'ipc-2021',
            'north 40 fall 1/4 / east 60 fall 1/4 with a closet bend 4x3',
            $four,
            'size.reduced',
            'stop',
            2,
        ];
        yield 'increased' => ['ipc-2021', 'north 40 size 2 / right 40 size 3', [], 'size.reduced', null, null];
        yield 'IPC short 90 level to level in a drain' => [
            'ipc-2021',
            'north 40 / right 40 with short 90',
            [],
            'turn.pattern',
            'stop',
            2,
        ];
        yield 'IPC the same on one fixture' => [
            'ipc-2021',
            'north 40 / right 40 with short 90',
            ['use' => 'fixture-drain'],
            'turn.pattern',
            null,
            null,
        ];
        yield 'IPC but not in 3 in' => [
            'ipc-2021',
            'north 40 / right 40 with short 90',
            ['use' => 'fixture-drain', 'size' => '3'],
            'turn.pattern',
            'stop',
            2,
        ];
        yield 'IPC short 90 upright to level' => [
            'ipc-2021',
            'down 40 / ahead 40 with short 90',
            [],
            'turn.pattern',
            'stop',
            2,
        ];
        yield 'IPC short 90 level to upright' => [
            'ipc-2021',
            'north 40 / down 40 with short 90',
            [],
            'turn.pattern',
            null,
            null,
        ];
        yield 'IPC long sweep upright to level' => [
            'ipc-2021',
            'down 40 / ahead 40 with long sweep',
            [],
            'turn.pattern',
            null,
            null,
        ];
        yield 'IPC two 45s upright to level' => [
            'ipc-2021',
            'down 40 / ahead 40 level with 45+45',
            [],
            'turn.pattern',
            null,
            null,
        ];
        yield 'UPC short 90 level to level' => [
            'upc-2021',
            'north 40 / right 40 with short 90',
            [],
            'turn.patternDoubtful',
            'warn',
            2,
        ];
        yield 'UPC long sweep level to level' => [
            'upc-2021',
            'north 40 / right 40 with long sweep',
            [],
            'turn.patternDoubtful',
            null,
            null,
        ];
        yield 'a 60 for a 90' => ['ipc-2021', 'north 40 / right 40 with 60', [], 'joint.strain', 'stop', 2];
        yield 'a 90 for an 88' => [
            'ipc-2021',
            'north 40 / right 88° 40 with long sweep',
            [],
            'joint.strain',
            null,
            null,
        ];
        yield 'a 90 for an 86' => [
            'ipc-2021',
            'north 40 / right 86° 40 with long sweep',
            [],
            'joint.strain',
            'stop',
            2,
        ];
        yield 'too short for two hubs' => ['ipc-2021', 'north 40 / right 5 / left 40', [], 'leg.impossible', 'stop', 2];
        yield 'room for pipe, not for two sockets' => [
            'ipc-2021',
            'north 40 / right 1 to stop / left 40',
            [],
            'piece.tooShort',
            'stop',
            2,
        ];
        yield 'just enough' => [
            'ipc-2021',
            'north 40 / right 1 1/2 to stop / left 40',
            [],
            'piece.tooShort',
            null,
            null,
        ];
        yield 'close at its own length' => [
            'ipc-2021',
            'north 40 / right close / left 40',
            [],
            'leg.closeLength',
            null,
            null,
        ];
        yield 'close at another' => [
            'ipc-2021',
            'north 40 / right 9 close / left 40',
            [],
            'leg.closeLength',
            'stop',
            2,
        ];
        yield 'out of reach' => ['ipc-2021', 'north 40 / right 70° 40 with 22+22', [], 'turn.impossible', 'stop', 2];
        yield 'in reach' => ['ipc-2021', 'north 40 / right 70° 40 with 45+45', [], 'turn.impossible', null, null];
        yield 'nothing to stand in' => ['ipc-2021', 'north 40 / right close / on 20', [], 'turn.impossible', 'stop', 3];
        yield 'not read' => ['ipc-2021', 'north 40 / banana / left 3', [], 'leg.unread', 'stop', 2];
        yield 'all read' => ['ipc-2021', 'north 40', [], 'leg.unread', null, null];
        yield 'a trap adapter in 2 in' => [
            'ipc-2021',
            'down 40',
            ['outlet' => new End('tube', RunEndKind::TrapAdapter)],
            'run.noAdapter',
            'stop',
            1,
        ];
        yield 'a trap adapter in 1-1/2 in' => [
            'ipc-2021',
            'down 40',
            ['outlet' => new End('tube', RunEndKind::TrapAdapter), 'size' => '1-1/2'],
            'run.noAdapter',
            null,
            null,
        ];
        yield 'not levelled' => ['ipc-2021', 'north 48 fall 1/4', [], 'run.notLevelled', 'unknown', 1];
        yield 'levelled and right' => [
            'ipc-2021',
            'down 40',
            ['levelDifference' => Length::mm(1016)],
            'run.inHand',
            null,
            null,
        ];
        yield 'fall in hand' => [
            'ipc-2021',
            'down 40',
            ['levelDifference' => Length::mm(1020)],
            'run.inHand',
            'note',
            1,
        ];
        yield 'ends too low' => [
            'ipc-2021',
            'down 40',
            ['levelDifference' => Length::mm(1012)],
            'run.below',
            'stop',
            1,
        ];
        yield 'reckoned take-off' => ['ipc-2021', 'down 40 / ahead 30', [], 'fitting.reckoned', 'note', 1];
        yield 'stated take-off' => ['ipc-2021', 'north 40 / right 45 30', [], 'fitting.reckoned', null, null];
        yield 'small pipe falls too' => ['ipc-2021', 'north 40 fall 1/8', $small, 'fall.least', 'stop', 1];
        yield 'a coupling on a plain end is assumed' => [
            'ipc-2021',
            'down 40',
            ['tieIn' => new End('stub', RunEndKind::Plain)],
            'catalogue.doubtful',
            'note',
            1,
        ];
    }

    /** @param array<string, mixed> $run */
    #[DataProvider('cases')]
    public function testJudges(
        string $rulebook,
        string $callOut,
        array $run,
        string $rule,
        ?string $severity,
        ?int $leg,
    ): void {
        $findings = array_values(
            array_filter(
                Fixtures::findings($callOut, $run, $rulebook),
                static fn (Finding $finding): bool => $finding->rule->value === $rule,
            ),
        );
        if ($severity === null) {
            self::assertSame([], $findings);

            return;
        }
        self::assertCount(1, $findings);
        self::assertSame($severity, $findings[0]->severity->value);
        self::assertSame($leg, $findings[0]->where->leg);
        foreach (Units::cases() as $units) {
            $words = (new Wording($units))->sentences($findings[0]);
            self::assertNotSame('', $words['title']);
            self::assertNotSame('', $words['why']);
            self::assertNotSame('', $words['remedy']);
            self::assertDoesNotMatchRegularExpression('/[{}!]/', implode(' ', $words));
        }
    }

    public function testThresholdsComeWithTheirSource(): void
    {
        $findings = Fixtures::findings('north 40 fall 1/8 / right 40 with short 90');
        foreach (['fall.least', 'turn.pattern'] as $rule) {
            [$finding] = array_values(
                array_filter($findings, static fn (Finding $f): bool => $f->rule->value === $rule),
            );
            self::assertSame('ipc-2021', $finding->source?->table);
            self::assertNotSame('', $finding->source->source);
        }
    }

    public function testAnImpossibleLegIsNamedWithWhatWouldDo(): void
    {
        [$finding] = Fixtures::findings('north 40 / right 5 / left 40');
        // Two long sweeps of 3.0060 in and two sockets of 3/4 in need 7.5120 in; fitting in fitting makes 2 · 3.0060 +
        // 3/4.
        self::assertEqualsWithDelta(7.512 * 25.4, $finding->params['needed_atleast_mm'], 0.01);
        self::assertEqualsWithDelta(2.512 * 25.4, $finding->params['shortfall_mm'], 0.01);
        self::assertEqualsWithDelta(6.762 * 25.4, $finding->params['close_mm'], 0.01);
        self::assertSame(
            'Call at least 7 9/16 in, or call it close: a street fitting makes exactly 6 3/4 in.',
            (new Wording(Units::Inch))->sentences($finding)['remedy'],
        );
    }

    public function testTheHeaviestComesFirst(): void
    {
        $ranks = array_map(
            static fn (Finding $finding): int => $finding->severity->rank(),
            Fixtures::findings('north 40 fall 1/8 / right 40 with short 90 / down 30', [], 'upc-2021'),
        );
        $sorted = $ranks;
        sort($sorted);
        self::assertSame($sorted, $ranks);
        self::assertGreaterThan(2, count(array_unique($ranks)));
    }
}
