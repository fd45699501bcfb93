<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Testing;

use DateTimeImmutable;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Testing\JobTesting;
use FallBend\Core\Testing\Stage;
use FallBend\Core\Testing\TestSystem;
use FallBend\Core\Testing\TestSystems;
use FallBend\Core\Tests\FlatBlock;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

/** @phpstan-import-type WrittenSystem from JobTesting */
final class TestSystemsTest extends TestCase
{
    /** Standard gravity times the density of water, N per mm³. */
    private const PUSH = 9.80665e-6;

    public function testVolumesHeadsAndWeightsAgreeWithASumOverThinSlices(): void
    {
        $networks = 0;
        foreach (self::jobs() as $job) {
            $layout = $job->layout();
            foreach (self::systems($job) as $n => $written) {
                $system = TestSystems::of($job->network())[$n];
                [$litres, $low] = self::sliced($job, $system, self::level($job, $written, $system));
                self::assertNotNull($written['fill']);
                $slack = 0.005 * $litres + 0.01;
                self::assertEqualsWithDelta($litres, $written['fill']['litres'], $slack, $written['name']);
                self::assertSame($written['fill']['litres'], $written['fill']['kg']);
                self::assertEqualsWithDelta(
                    self::level($job, $written, $system) - $low,
                    $written['fill']['above_lowest']['mm'],
                    0.01,
                );
                foreach ($written['openings'] as $opening) {
                    $pipe = $layout->runs[$opening['run']]->system->pipe($opening['size']);
                    $area = (M_PI / 4) * ($pipe->isBoreKnown ? $pipe->boreMm : $pipe->outsideMm) ** 2;
                    $head = $opening['head']['mm'] ?? -1.0;
                    self::assertEqualsWithDelta($head * self::PUSH * 1_000, $opening['kpa'], 1e-9);
                    self::assertEqualsWithDelta($head * self::PUSH * $area, $opening['push_n'], 1e-6);
                }
                $sum = array_sum(array_column($written['loads'], 'litres'));
                self::assertEqualsWithDelta($written['fill']['litres'], $sum, 1e-6, 'the runs are the whole');
                $networks++;
            }
        }
        self::assertGreaterThanOrEqual(50, $networks);
    }

    public function testRunsThatHangTogetherAreTestedTogether(): void
    {
        $systems = TestSystems::of(self::evaluated(FlatBlock::of(2))->network());
        self::assertCount(1, $systems);
        self::assertTrue($systems[0]->isWhole(), 'it is open through the roof');
        $kinds = array_map(static fn ($opening): string => $opening->kind->value, $systems[0]->openings);
        self::assertNotContains('branch', $kinds, 'what goes on in another run is no opening');
    }

    /** @return iterable<EvaluatedJob> blocks of flats of all kinds of heights, and single runs */
    private static function jobs(): iterable
    {
        for ($flats = 1; $flats <= 10; $flats++) {
            yield self::evaluated(FlatBlock::of($flats));
        }
        for ($n = 1; $n <= 42; $n++) {
            $legs = sprintf(
                'down %d / north %d fall 1/4 / down %d / east %d fall 1/4 / down %d',
                6 + $n,
                20 + 3 * $n,
                12 + ($n % 5),
                15 + $n,
                10 + ($n % 7),
            );
            $size = ['1-1/2', '2', '3', '4'][$n % 4];
            yield self::evaluated(CaseJob::of('ipc-2021', ['a' => ['socket', $legs, 'socket', ['size' => $size]]]));
        }
    }

    /** @return list<WrittenSystem> */
    private static function systems(EvaluatedJob $job): array
    {
        $log = new SiteLog([], new DateTimeImmutable('2026-11-30T09:00:00Z'));

        $written = [];
        foreach (TestSystems::of($job->network()) as $system) {
            $of = $job->testing($log)->toArray(Stage::RoughIn, $system->runs[0])['system'];
            self::assertNotNull($of);
            $written[] = $of;
        }

        return $written;
    }

    /** @param WrittenSystem $written the level of the water by the book, reckoned from its own ends */
    private static function level(EvaluatedJob $job, array $written, TestSystem $system): float
    {
        [$roofs, $tops, $joints] = [[-INF], [-INF], [0.0]];
        foreach ($system->runs as $run) {
            $layout = $job->layout()->runs[$run];
            foreach ($layout->joints as $joint) {
                $joints[] = $job->layout()->offsets[$run]->z + $joint->at->z;
            }
        }
        foreach ($system->openings as $opening) {
            $tops[] = $opening->heightMm;
            if ($opening->kind === RunEndKind::Roof) {
                $roofs[] = $opening->heightMm;
            }
        }

        return count($roofs) > 1 ? max($roofs) : max(max($tops), max($joints) + 3_048.0);
    }

    /** @return array{float, float} litres below a level by slices of a millimetre, and the lowest point */
    private static function sliced(EvaluatedJob $job, TestSystem $system, float $level): array
    {
        [$mm3, $low] = [0.0, INF];
        foreach ($system->runs as $run) {
            $layout = $job->layout()->runs[$run];
            $up = $job->layout()->offsets[$run]->z;
            foreach ($layout->legs as $leg) {
                $bore = $layout->system->pipe($leg->line->size)->boreMm;
                $slices = (int) ceil($leg->centreMm);
                $low = min($low, $up + $leg->from->z, $up + $leg->to()->z);
                for ($i = 0; $i < $slices; $i++) {
                    $along = (($i + 0.5) / $slices) * $leg->centreMm;
                    $height = $up + $leg->from->z + $leg->line->direction->z * $along;
                    $mm3 += $height <= $level ? (M_PI / 4) * $bore ** 2 * ($leg->centreMm / $slices) : 0.0;
                }
            }
        }

        return [$mm3 / 1e6, $low];
    }

    private static function evaluated(Job $job): EvaluatedJob
    {
        return (new JobEvaluator(Catalogue::shipped()))->evaluate($job, effort: Effort::of(20_000));
    }
}
