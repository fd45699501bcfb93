<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Sequence;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\MakeUp\Move;
use FallBend\Core\MakeUp\PlannedJoint;
use FallBend\Core\Sequence\DayAsked;
use FallBend\Core\Sequence\GlueClock;
use FallBend\Core\Sequence\JointNeeds;
use FallBend\Core\Sequence\RunDay;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * @phpstan-import-type WrittenRunDay from RunDay
 * @phpstan-import-type DayStep from GlueClock
 */
final class RunDayTest extends TestCase
{
    public function testEveryJointOfARunIsTriedDryAndJoinedOnce(): void
    {
        $run = self::demo()->run('clay-wash');
        $steps = self::day('clay-wash')['day']['steps'] ?? [];
        $numbers = array_map(strval(...), array_column($run->joints, 'number'));
        foreach (['dry-fit', 'join'] as $what) {
            $of = array_filter($steps, static fn (array $step): bool => $step['what'] === $what);
            self::assertEqualsCanonicalizing($numbers, array_column($of, 'joint'), $what);
        }
    }

    public function testTheHouseIsClosedWhileTheStubInItsLineIsJoinedOnly(): void
    {
        $day = self::day('clay-wash')['day'];
        self::assertNotNull($day);
        $last = self::join($day['steps'], '14');
        // The band on the stub carries water at once; until hands come to it the line stands.
        self::assertSame([$last['from'], $last['until']], [$day['closed_from'], $day['open_again']]);
    }

    public function testWhatMovesIntoPlaceHasSetBefore(): void
    {
        $day = self::day('clay-wash')['day'];
        self::assertNotNull($day);
        $joins = array_column(
            array_filter($day['steps'], static fn (array $step): bool => $step['what'] === 'join'),
            null,
            'joint',
        );
        foreach ($joins as $number => $join) {
            if (! in_array((string) $number, ['1', '14'], true)) {
                self::assertLessThanOrEqual($day['closed_from'], $join['may_move'], "joint {$number}");
            }
        }
    }

    public function testWithoutAMethodThereIsNoDay(): void
    {
        $answer = self::day('shower');
        self::assertSame([[4], null, []], [$answer['unsettled'], $answer['day'], $answer['findings']]);
    }

    public function testWhatDoesNotGoTogetherHasNoDay(): void
    {
        $answer = self::day('shower-vent');
        self::assertSame([false, null], [$answer['goes'], $answer['day']]);
    }

    public function testTwoPeopleAreNoSlower(): void
    {
        foreach (['clay-wash', 'house', 'stack'] as $run) {
            self::assertLessThanOrEqual(
                self::day($run)['day']['earliest_test'] ?? '',
                self::day($run, ['people' => 2])['day']['earliest_test'] ?? 'z',
                $run,
            );
        }
    }

    public function testTheWeatherOfTheJobCounts(): void
    {
        $cold = ['conditions' => ['air_c' => 2.0, 'surface_c' => 2.0, 'rh_percent' => 50, 'wet' => false]];
        $answer = self::demo($cold)->day('clay-wash')->toArray(self::asked());
        self::assertContains('cement.cold', array_column($answer['findings'], 'rule'));
        self::assertGreaterThan(
            self::day('clay-wash')['day']['earliest_test'] ?? 'z',
            $answer['day']['earliest_test'] ?? '',
        );
    }

    public function testOnTheBenchTheLesserPartIsTakenInTheHand(): void
    {
        $joint = static fn (string $id, string $a, string $b): PlannedJoint => new PlannedJoint(
            $id,
            $a,
            $b,
            new Vec3(1.0, 0.0, 0.0),
            40.0,
            'push',
            0.0,
        );
        $joints = [$joint('1', 'a', 'b'), $joint('2', 'b', 'c'), $joint('3', 'd', 'e'), $joint('4', 'c', 'd')];
        $bench = static fn (string $joint, string ...$pieces): Move => new Move(
            array_values($pieces),
            [$joint],
            new Vec3(1.0, 0.0, 0.0),
            40.0,
            true,
        );
        $place = new Move(['d', 'e'], ['4'], new Vec3(1.0, 0.0, 0.0), 40.0, false);
        $moves = [$bench('1', 'a'), $bench('2', 'a', 'b'), $bench('3', 'd')];
        $needs = (new JointNeeds([...$moves, $place], $joints))->needs;
        // One piece goes onto the others: nothing in it can give. Then a part of two is carried to where it stays.
        self::assertSame(['1' => [], '2' => [], '3' => [], '4' => ['3']], $needs);
        $needs = (new JointNeeds([...$moves, $bench('4', 'a', 'b', 'c')], $joints))->needs;
        self::assertSame(['1' => [], '2' => [], '3' => [], '4' => ['3']], $needs, 'the lesser of two parts');
    }

    public function testJointsOfOneMoveAreOneBreath(): void
    {
        $joints = [
            new PlannedJoint('1', 'up', 'tee', new Vec3(1.0, 0.0, 0.0), 40.0, 'roll', 0.0),
            new PlannedJoint('2', 'tee', 'down', new Vec3(1.0, 0.0, 0.0), 40.0, 'roll', 0.0),
        ];
        $needs = new JointNeeds([new Move(['tee'], ['1', '2'], null, 0.0, false)], $joints);
        self::assertSame(['1' => ['2'], '2' => ['1']], $needs->with);
    }

    /**
     * @param list<DayStep> $steps
     * @return DayStep
     */
    private static function join(array $steps, string $joint): array
    {
        foreach ($steps as $step) {
            if ($step['what'] === 'join' && $step['joint'] === $joint) {
                return $step;
            }
        }
        self::fail("joint {$joint} is not joined");
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is asked, where it is wrong */
    public static function wrong(): iterable
    {
        yield 'nobody' => [['people' => 0], 'people'];
        yield 'no time' => [['start' => 'morning'], 'start'];
        yield 'opened before it is closed' => [
            ['closed_to_house' => ['from' => '2026-11-25T10:00:00Z', 'until' => '2026-11-25T09:00:00Z']],
            'closed_to_house.until',
        ];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('wrong')]
    public function testWhatIsAskedWronglyIsNamedAtItsPlace(array $with, string $field): void
    {
        try {
            self::asked($with);
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame($field, $bad->field);
        }
    }

    /**
     * @param array<string, mixed> $with
     * @return WrittenRunDay
     */
    private static function day(string $run, array $with = []): array
    {
        return self::demo()->day($run)->toArray(self::asked($with));
    }

    /** @param array<string, mixed> $with */
    private static function asked(array $with = []): DayAsked
    {
        return DayAsked::read(Fields::of($with + ['people' => 1, 'start' => '2026-11-25T08:00:00+01:00']));
    }

    /** @param array<string, mixed> $change */
    private static function demo(array $change = []): EvaluatedJob
    {
        $catalogue = Catalogue::shipped();
        /** @var array<string, mixed> $document */
        $document = json_decode(
            (string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );

        return (new JobEvaluator($catalogue))->evaluate(
            (new JobFile($catalogue))->read($change + $document),
            effort: Effort::unlimited(),
        );
    }
}
