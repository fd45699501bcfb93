<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Layout\JobSize;
use FallBend\Core\Report\EvaluationReport;
use FallBend\Core\Tests\FlatBlock;
use PHPUnit\Framework\TestCase;

final class JobSizeTest extends TestCase
{
    public function testItIsAboutWhatTheJobComesTo(): void
    {
        $catalogue = Catalogue::shipped();
        $demos = array_map(
            static fn (string $name): string => (string) file_get_contents(
                __DIR__."/../../../database/demo/{$name}.json",
            ),
            ['mill-row-pottery', 'weir-cottage-office'],
        );
        $jobs = [FlatBlock::of(3), ...array_map((new JobFile($catalogue))->parse(...), $demos)];
        foreach ($jobs as $job) {
            $real = 0;
            foreach (
                (new EvaluationReport((new JobEvaluator($catalogue))->evaluate($job)))->toArray()['runs'] as $run
            ) {
                $real += count($run['pieces']) + count($run['fittings']) + count($run['joints']);
            }
            $said = JobSize::parts($job, $catalogue);
            self::assertGreaterThan($real * 0.5, $said);
            self::assertLessThan($real * 2, $said);
        }
    }

    public function testWhatIsTooLargeIsRefusedWithTheLimitBeforeItIsLaidOut(): void
    {
        $catalogue = Catalogue::shipped();
        JobSize::check(FlatBlock::of(56), $catalogue);
        $bad = self::refused(static fn () => (new JobEvaluator($catalogue))->evaluate(FlatBlock::of(58)));
        self::assertSame('runs', $bad->field);
        self::assertStringContainsString('one job holds at most 25,000: part it in two', $bad->getMessage());
    }

    public function testWhatIsTooLargeForOneAnswerIsAnsweredInParts(): void
    {
        $catalogue = Catalogue::shipped();
        JobSize::checkWhole(FlatBlock::of(18), $catalogue);
        $bad = self::refused(static fn () => JobSize::checkWhole(FlatBlock::of(19), $catalogue));
        self::assertSame('want', $bad->field);
    }

    /** @param callable(): mixed $ask */
    private static function refused(callable $ask): BadInput
    {
        try {
            $ask();
        } catch (BadInput $bad) {
            return $bad;
        }
        self::fail('was taken');
    }
}
