<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use FallBend\Core\Input\BadInput;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The order of a day of joining, with its clocks. */
final class GlueClockReckonerTest extends TestCase
{
    use Reckons;

    private const DAY = [
        'people' => 1,
        'start' => '2026-11-25T08:00:00+01:00',
        'air_c' => 20,
        'rh_percent' => 50,
        'wet' => false,
        'rulebook' => 'upc-2021',
    ];

    public function testWhatIsTriedDryIsJoinedAfterAllIsAndWaitsForWhatItNeeds(): void
    {
        $answer = $this->day([self::glued('1'), self::glued('2', ['needs' => ['1']])]);
        self::assertSame(
            [
                // One minute to try each; three to prime, coat and push, half a minute to hold.
                ['1', 'dry-fit', '08:00:00', '08:01:00'],
                ['2', 'dry-fit', '08:01:00', '08:02:00'],
                ['1', 'join', '08:02:00', '08:05:30'],
                ['2', 'join', '08:35:30', '08:39:00'],
            ],
            array_map(
                static fn (array $step): array => [
                    $step['joint'],
                    $step['what'],
                    self::clock($step['from']),
                    self::clock($step['until']),
                ],
                $answer['steps'],
            ),
        );
        // The chart of the cement: 30 minutes until 2 in is handled, at 20 °C; it is filled no sooner.
        self::assertSame('08:35:30', self::clock($answer['steps'][2]['may_move']));
        self::assertSame('09:09:00', self::clock($answer['earliest_test']));
        self::assertSame([true, 9.0], [$answer['optimal'], $answer['hands_on_min']]);
        self::assertSame($answer['earliest_test'], $answer['bound']);
        self::assertSame(
            [['joint' => '1', 'cause' => 'start', 'after' => null], ['joint' => '2', 'cause' => 'set', 'after' => '1']],
            $answer['critical'],
        );
    }

    public function testWhoeverWaitsIsToldHowLong(): void
    {
        $waits = $this->day([self::glued('1'), self::glued('2', ['needs' => ['1']])])['waits'];
        self::assertSame(
            [[1, '08:05:30', '08:35:30']],
            array_map(
                static fn (array $wait): array => [
                    $wait['who'],
                    self::clock($wait['from']),
                    self::clock($wait['until']),
                ],
                $waits,
            ),
        );
        self::assertSame([], $this->day([self::glued('1'), self::glued('2')])['waits']);
        // Of two people the one who makes nothing any more does not wait.
        $two = $this->day([self::glued('1'), self::glued('2', ['needs' => ['1']])], ['people' => 2])['waits'];
        self::assertLessThanOrEqual(1, count($two));
    }

    public function testTheCementMustBeHomeWithinItsWorkingTime(): void
    {
        $join = $this->day([self::glued('1')])['steps'][1];
        // Pushed at 08:04:00, after eight seconds of coating; twenty seconds are given.
        self::assertSame(['08:04:12', '08:04:30'], [self::clock($join['push_by']), self::clock($join['hold_until'])]);
    }

    public function testBothEndsOfATeeAreMadeAndHeldTogether(): void
    {
        $steps = $this->day([self::glued('1'), self::glued('2', ['with' => ['1']])])['steps'];
        self::assertSame($steps[2]['until'], $steps[3]['until']);
        self::assertSame('08:08:30', self::clock($steps[2]['until']));
        self::assertSame([], self::found($this->day([self::glued('1'), self::glued('2', ['with' => ['1']])])));
    }

    public function testThreeAreTooManyForOneBreathOfOnePerson(): void
    {
        $three = [self::glued('1'), self::glued('2', ['with' => ['1']]), self::glued('3', ['with' => ['1']])];
        $alone = $this->day($three);
        self::assertSame(['day.breathTooLong'], self::found($alone));
        self::assertSame([24.0, 20.0], [$alone['findings'][0]['measured'], $alone['findings'][0]['limit']]);
        self::assertSame([], self::found($this->day($three, ['people' => 2])));
    }

    public function testALargeJointTakesTwo(): void
    {
        $large = [self::glued('1', ['size' => '6'])];
        self::assertSame(['day.twoPeople'], self::found($this->day($large)));
        $two = $this->day($large, ['people' => 2]);
        self::assertSame([], self::found($two));
        self::assertSame([1, 2], $two['steps'][1]['who']);
    }

    public function testTheHouseIsClosedFromTheFirstJointInItsLineUntilWaterMayRun(): void
    {
        $joints = [self::glued('bench', ['in_line' => false]), self::band('line', ['needs' => ['bench']])];
        $closed = ['from' => '2026-11-25T09:00:00+01:00', 'until' => '2026-11-25T09:04:00+01:00'];
        $answer = $this->day($joints, ['closed_to_house' => $closed]);
        self::assertSame([], self::found($answer));
        // The glued one cures on the bench before the line is opened; the band may carry water at once.
        self::assertSame(['09:00:00', '09:04:00'], [
            self::clock($answer['closed_from']),
            self::clock($answer['open_again']),
        ]);
        self::assertSame('release', $answer['critical'][count($answer['critical']) - 1]['cause']);
        $late = $this->day($joints, ['closed_to_house' => ['until' => '2026-11-25T09:03:00+01:00'] + $closed]);
        self::assertSame(['day.closedTooShort'], self::found($late));
        self::assertStringContainsString('carry it at 09:04', $late['findings'][0]['why']);
    }

    public function testWithoutAJointInTheLineTheHouseIsNotClosed(): void
    {
        $answer = $this->day([self::glued('1')]);
        self::assertSame([null, null], [$answer['closed_from'], $answer['open_again']]);
    }

    public function testAJointThatWasLateMovesWhatWaitsForIt(): void
    {
        $joints = [self::glued('1'), self::glued('2', ['needs' => ['1']])];
        $answer = $this->day($joints, [
            'start' => '2026-11-25T10:00:00+01:00',
            'done' => [
                ['joint' => '1', 'at' => '2026-11-25T09:50:00+01:00'],
                ['joint' => '2', 'at' => '2026-11-25T08:02:00+01:00', 'what' => 'dry-fit'],
            ],
        ]);
        self::assertSame(['2'], array_column($answer['steps'], 'joint'));
        self::assertSame('10:20:00', self::clock($answer['steps'][0]['from']));
    }

    public function testWhatIsAllMadeIsTestedOnceTheLastHasCured(): void
    {
        $answer = $this->day([self::glued('1')], [
            'start' => '2026-11-25T10:00:00+01:00',
            'done' => [['joint' => '1', 'at' => '2026-11-25T09:50:00+01:00']],
        ]);
        self::assertSame([], $answer['steps']);
        self::assertSame('10:20:00', self::clock($answer['earliest_test']));
    }

    public function testWhatTheChartsDoNotSayIsNotPlanned(): void
    {
        $answer = $this->day([self::glued('1')], ['air_c' => -25]);
        self::assertContains('day.timesNotKnown', self::found($answer));
        self::assertContains('cement.tooCold', self::found($answer));
        self::assertSame([[], null, false], [$answer['steps'], $answer['earliest_test'], $answer['optimal']]);
    }

    public function testWhatACrewTimedStandsInPlaceOfWhatIsAssumed(): void
    {
        $steps = [['what' => 'prime', 'minutes' => 1], ['what' => 'cement and push', 'minutes' => 0.5]];
        $answer = $this->day([self::glued('1', ['person_steps' => $steps])]);
        self::assertSame('08:03:00', self::clock($answer['steps'][1]['until']));
        $rows = [['table' => 'assumptions', 'row' => 'hands-on.solvent-pvc']];
        self::assertContains($rows[0]['row'], array_column($answer['sources'], 'row'));
    }

    public function testAnIronHubIsCementedNotItselfButByItsAdapter(): void
    {
        $joint = [
            'id' => '1',
            'method' => 'hub-adapter',
            'system' => 'ci-hub-service',
            'other_system' => 'pvc-dwv-40',
            'size' => '2',
        ];
        $answer = $this->day([$joint]);
        self::assertSame([], self::found($answer));
        self::assertNotSame($answer['steps'][1]['until'], $answer['steps'][1]['may_fill']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is wrong, and where */
    public static function wrong(): iterable
    {
        yield 'a joint twice' => [['joints' => [self::glued('1'), self::glued('1')]], 'joints.1.id'];
        yield 'needs one that is not there' => [
            ['joints' => [self::glued('1', ['needs' => ['9']])]],
            'joints.0.needs.0',
        ];
        yield 'needs itself' => [['joints' => [self::glued('1', ['needs' => ['1']])]], 'joints.0.needs.0'];
        yield 'two that need each other' => [
            ['joints' => [self::glued('1', ['needs' => ['2']]), self::glued('2', ['needs' => ['1']])]],
            'joints',
        ];
        yield 'three people' => [['people' => 3], 'people'];
        yield 'a day that there is not' => [['start' => '2026-02-30T08:00:00+01:00'], 'start'];
        yield 'a time without a zone' => [['start' => '2026-02-03T08:00:00'], 'start'];
        yield 'closed the wrong way round' => [
            [
                'closed_to_house' => [
                    'from' => '2026-11-25T10:00:00+01:00',
                    'until' => '2026-11-25T09:00:00+01:00',
                ],
            ],
            'closed_to_house.until',
        ];
        yield 'done of no joint' => [
            ['done' => [['joint' => '9', 'at' => '2026-11-25T09:00:00+01:00']]],
            'done.0.joint',
        ];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsNamedAtItsPlace(array $with, string $field): void
    {
        try {
            self::reckon('glue-clock', $with + ['joints' => [self::glued('1')]] + self::DAY);
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame($field, $bad->field);
        }
    }

    /**
     * @param list<array<string, mixed>> $joints
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private function day(array $joints, array $with = []): array
    {
        $input = $with + ['joints' => $joints] + self::DAY;
        $answer = self::reckon('glue-clock', $input);
        self::assertKeeps('glue-clock', 'input', $input);
        self::assertKeeps('glue-clock', 'output', $answer);

        return $answer;
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private static function glued(string $id, array $with = []): array
    {
        return $with + ['id' => $id, 'method' => 'solvent-pvc', 'system' => 'pvc-dwv-40', 'size' => '2'];
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private static function band(string $id, array $with = []): array
    {
        return $with + ['id' => $id, 'method' => 'no-hub-shielded', 'system' => 'ci-no-hub', 'size' => '2'];
    }

    private static function clock(?string $time): string
    {
        return substr($time ?? '', 11, 8);
    }
}
