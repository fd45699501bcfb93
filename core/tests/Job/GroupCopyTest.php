<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Job\GroupCopy;
use FallBend\Core\Job\Ids;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GroupCopyTest extends TestCase
{
    public function testAGroupIsWhatEntersOrLeavesARunAndWhatEntersThose(): void
    {
        $ids = static fn (string $of): array => array_map(
            static fn (Run $run): string => $run->id,
            GroupCopy::group(self::house(), $of),
        );
        self::assertSame(['line', 'lav', 'lav-vent', 'tub'], $ids('line'));
        self::assertSame(['lav', 'lav-vent'], $ids('lav'));
        self::assertSame(['stack', 'line', 'lav', 'lav-vent', 'tub', 'next'], $ids('stack'));
        self::assertSame(['lav-vent'], $ids('lav-vent'));
    }

    public function testACopyStandsFurtherAlongWithItsOwnIdsNamesGroupsAndObstacles(): void
    {
        $job = GroupCopy::repeated(self::house(), 'line', 600.0, 2, false);
        self::assertSame(
            [
                'stack',
                'line',
                'lav',
                'lav-vent',
                'tub',
                'next',
                'line-2',
                'lav-2',
                'lav-vent-2',
                'tub-2',
                'line-3',
                'lav-3',
                'lav-vent-3',
                'tub-3',
            ],
            array_map(static fn (Run $run): string => $run->id, $job->runs),
        );
        self::assertSame(
            [1000.0, 1600.0, 2200.0],
            array_map(static fn (string $id): ?float => $job->run($id)?->tieIn->branch?->atMm, [
                'line',
                'line-2',
                'line-3',
            ]),
            'only what leads the group moves',
        );
        self::assertSame(
            ['line-2', 400.0],
            [$job->run('lav-2')?->tieIn->branch?->run, $job->run('lav-2')?->tieIn->branch?->atMm],
        );
        self::assertSame(
            'lav-2',
            $job->run('lav-vent-2')?->outlet->branch?->run,
            'what hangs on a copy hangs on the copy',
        );
        self::assertSame('stack', $job->run('lav-vent-2')->tieIn->branch?->run, 'what ties outside stays tied there');
        self::assertSame(
            ['a', 'a2', 'a3'],
            array_map(static fn (string $id): ?string => $job->run($id)?->outlet->fixture?->group, [
                'lav',
                'lav-2',
                'lav-3',
            ]),
        );
        self::assertSame('the line 2', $job->run('line-2')?->name);
        self::assertSame(
            [['o0', 'line'], ['o0-2', 'line-2'], ['o0-3', 'line-3']],
            array_map(static fn ($obstacle): array => [$obstacle->id, $obstacle->run], $job->obstacles),
        );
        self::assertSame(
            self::house()->run('line')?->legs[0]->length?->toMm(),
            $job->run('line-2')->legs[0]->length?->toMm(),
        );
    }

    public function testMirroredWaysChangeSidesAndUprightsStay(): void
    {
        $ways = static fn (?Run $run): array => array_map(static fn ($leg): string => $leg->way->value, $run->legs ?? []);
        $job = GroupCopy::repeated(self::house(), 'line', 600.0, 1, true);
        self::assertSame(['north', 'left', 'right', 'down'], $ways($job->run('line')));
        self::assertSame(['north', 'right', 'left', 'down'], $ways($job->run('line-2')));
        self::assertSame(['west'], $ways($job->run('lav-2')));
        self::assertSame($job->run('line')->legs[1]->turnDeg ?? null, $job->run('line-2')->legs[1]->turnDeg ?? null);
        $back = GroupCopy::repeated($job, 'line-2', 600.0, 1, true);
        self::assertSame($ways($job->run('line')), $ways($back->run('line-3')), 'mirrored twice is as it was');
    }

    public function testNoCopyStandsBeforeTheBeginningOfALegAndNoRunIsNoCopy(): void
    {
        self::assertSame(
            0.0,
            GroupCopy::repeated(self::house(), 'line', -5000.0, 1, false)->run('line-2')?->tieIn->branch?->atMm,
        );
        self::assertCount(6, GroupCopy::repeated(self::house(), 'nothing', 600.0, 3, false)->runs);
    }

    /** @return iterable<string, array{string, list<string>, string}> */
    public static function wanted(): iterable
    {
        yield 'free' => ['lav', ['tub'], 'lav'];
        yield 'taken' => ['lav', ['lav'], 'lav-2'];
        yield 'taken twice' => ['lav', ['lav', 'lav-2', 'lav-3'], 'lav-4'];
        yield 'a number takes the next free one' => ['lav-2', ['lav-2', 'lav-3'], 'lav-4'];
        yield 'too long' => [str_repeat('x', 60), [str_repeat('x', 34)], str_repeat('x', 34).'-2'];
    }

    /** @param list<string> $taken */
    #[DataProvider('wanted')]
    public function testAFreeIdIsTheWantedOneOrTheNextNumber(string $wanted, array $taken, string $free): void
    {
        self::assertSame($free, Ids::free($wanted, $taken));
    }

    private static function house(): Job
    {
        return CaseJob::of(
            'ipc-2021',
            [
                'stack' => ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => '4', 'use' => 'drain']],
                'line' => [
                    'cap',
                    'north 80 / left 45° 20 / right 45° 20 / down 30',
                    'stack 1 1000',
                    ['size' => '3', 'use' => 'drain'],
                ],
                'lav' => ['lavatory group=a', 'east 30', 'line 1 400'],
                'lav-vent' => ['vent off lav 1 300', 'up 40 / west 30', 'stack 1 200'],
                'tub' => ['bath group=a', 'west 30', 'line 1 900'],
                'next' => ['lavatory', 'east 30', 'stack 1 2000'],
            ],
            [['kind' => 'joist', 'what' => 'joists', 'run' => 'line', 'leg' => 'l1', 'at_mm' => 300.0]],
        );
    }
}
