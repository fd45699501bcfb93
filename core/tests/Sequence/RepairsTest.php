<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Sequence;

use DateTimeImmutable;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\Fields;
use FallBend\Core\Report\DayReport;
use FallBend\Core\Sequence\DayAsked;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

/**
 * @phpstan-import-type WrittenDayReport from DayReport
 * @phpstan-import-type Content from \FallBend\Core\Site\EntryFile
 */
final class RepairsTest extends TestCase
{
    public function testWhatIsWrongComesWithWhatToDoByItsMethod(): void
    {
        $wrong = self::day([[EntryKind::Joint, 2, []], [EntryKind::Trouble, 2, ['what' => 'moved']]])['wrong'];
        self::assertCount(1, $wrong);
        self::assertSame(['2', 2, 'moved', 'cut-out'], [
            $wrong[0]['joint'],
            $wrong[0]['entry'],
            $wrong[0]['what'],
            $wrong[0]['act'],
        ]);
        self::assertStringContainsString('hold it', (string) $wrong[0]['now']);
        self::assertStringContainsString('Cut the joint out', $wrong[0]['then']);
    }

    public function testAJointThatIsWrongRunsNoClockAndIsPlannedAgain(): void
    {
        $day = self::day([[EntryKind::Joint, 2, []], [EntryKind::Seen, 2, ['depth' => false]]]);
        self::assertSame([], $day['made']);
        self::assertContains('2', array_column($day['day']['steps'] ?? [], 'joint'));
    }

    public function testANewPieceFillsBothSocketsAndTheOldPipeIsCutBehindTheStop(): void
    {
        $job = self::job();
        $layout = $job->run('a');
        $second = $layout->joints[1];
        $depth = $layout->system->pipe('2')->socketDepthMm;
        $stop = $layout->system->coupling('2')->acrossMm ?? 0.0;
        $repairs = self::day([[EntryKind::Joint, 2, []], [EntryKind::CutOut, 2, []]])['repairs'];
        self::assertCount(1, $repairs);
        self::assertSame(['2'], $repairs[0]['joints']);
        $piece = $repairs[0]['pieces'][0];
        self::assertFalse($piece['whole']);
        self::assertEqualsWithDelta($second->depthMm + $depth, $piece['new']['mm'] ?? 0.0, 1e-6);
        self::assertEqualsWithDelta($depth + $stop, $piece['cut_at']['mm'] ?? 0.0, 1e-6);
        // Old pipe, stop and new piece are as long as the old piece was.
        $old = $layout->pieces[0]->cutMm;
        $left = $old - ($second->depthMm + ($piece['cut_at']['mm'] ?? 0.0));
        self::assertEqualsWithDelta($old, $left + $stop + ($piece['new']['mm'] ?? 0.0), 1e-6);
    }

    public function testAFittingThatIsLostTakesItsJointsWithIt(): void
    {
        $cut = [EntryKind::CutOut, 2, []];
        $repairs = self::day([[EntryKind::Joint, 2, []], [EntryKind::Joint, 3, []], $cut, [EntryKind::CutOut, 3, []]])[
            'repairs'
        ];
        self::assertCount(1, $repairs);
        self::assertSame(['2', '3'], $repairs[0]['joints']);
        self::assertCount(2, $repairs[0]['pieces']);
        self::assertTrue($repairs[0]['slip']);
        self::assertNotNull($repairs[0]['fitting']);
    }

    public function testAPieceThatLeavesTooLittleIsMadeAnew(): void
    {
        $log = [[EntryKind::Joint, 2, []], [EntryKind::CutOut, 2, []]];
        $piece = self::day($log, 'down 5 / north 60 fall 1/4')['repairs'][0]['pieces'][0];
        self::assertTrue($piece['whole']);
        self::assertNull($piece['cut_at']);
    }

    public function testItIsOverOnceTheJointIsMadeAgain(): void
    {
        $again = [[EntryKind::Joint, 2, []], [EntryKind::CutOut, 2, []], [EntryKind::Joint, 2, []]];
        self::assertSame([], self::day($again)['repairs']);
        self::assertSame(['2'], array_column(self::day($again)['made'], 'joint'));
    }

    public function testAClockOfAJointRunsOnWhereTheRunDoesNotGoTogetherAnyMore(): void
    {
        $before = self::day([[EntryKind::Joint, 1, []]]);
        self::assertNotNull($before['day']);
        self::assertSame(['1'], array_column($before['made'], 'joint'));
        $stuck = self::day([[EntryKind::Joint, 1, []]], 'down 24 / north 60 fall 1/4', 'socket');
        self::assertNull($stuck['day']);
        self::assertSame(['1'], array_column($stuck['made'], 'joint'), 'what is made is not forgotten');
    }

    public function testThePlanIsHeldAgainstWhatIsJoined(): void
    {
        $job = self::job();
        $piece = $job->run('a')->pieces[0];
        $of = static fn (float $mm): array => [
            'method' => 'solvent-pvc',
            'pieces' => [$piece->key => $mm, 'gone' => 5.0],
        ];
        self::assertSame([], self::rules(self::day([[EntryKind::Joint, 2, $of($piece->cutMm + 0.9)]])));
        $other = self::day([[EntryKind::Joint, 2, $of($piece->cutMm + 6.0)]]);
        self::assertSame(['glued.changed'], self::rules($other));
        self::assertStringContainsString("piece {$piece->letter}", $other['findings'][0]['why']);
        $method = self::day([[EntryKind::Joint, 2, ['method' => 'solvent-abs']]]);
        self::assertSame(['glued.method'], self::rules($method));
        self::assertSame(['glued.gone'], self::rules(self::day([[EntryKind::Joint, 77, []]])));
        // What was cut out is joined no longer.
        $cut = [[EntryKind::Joint, 2, $of($piece->cutMm + 6.0)], [EntryKind::CutOut, 2, []]];
        self::assertSame([], self::rules(self::day($cut)));
    }

    /**
     * @param WrittenDayReport $day
     * @return list<string>
     */
    private static function rules(array $day): array
    {
        return array_values(
            array_filter(
                array_column($day['findings'], 'rule'),
                static fn (string $rule): bool => str_starts_with($rule, 'glued.'),
            ),
        );
    }

    /**
     * @param list<array{EntryKind, int, Content}> $said
     * @return WrittenDayReport
     */
    private static function day(
        array $said,
        string $legs = 'down 24 / north 60 fall 1/4',
        string $to = 'cap',
    ): array {
        $entries = [];
        foreach ($said as $n => [$kind, $joint, $content]) {
            $at = new DateTimeImmutable("2026-11-30T11:5{$n}:00Z");
            $of = ['run' => 'a', 'joint' => $joint];
            $entries[] = new Entry($n + 1, "key-{$n}", $kind, $of + $content, $at, 'Anna');
        }
        $asked = DayAsked::read(Fields::of(['people' => 1, 'start' => '2026-11-30T08:00:00Z']));
        $log = new SiteLog($entries, new DateTimeImmutable('2026-11-30T12:00:00Z'));

        return (new DayReport(self::job($legs, $to)))->ofRun('a', $asked, $log);
    }

    private static function job(string $legs = 'down 24 / north 60 fall 1/4', string $to = 'cap'): EvaluatedJob
    {
        $job = CaseJob::of('ipc-2021', ['a' => ['socket', $legs, $to]]);

        return (new JobEvaluator(Catalogue::shipped()))->evaluate($job, effort: Effort::of(200_000));
    }
}
