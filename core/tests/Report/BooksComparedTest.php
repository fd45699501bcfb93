<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Report;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Report\BooksCompared;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

final class BooksComparedTest extends TestCase
{
    /**
     * A 1-1/2 arm of 5 ft: the IPC takes 6 ft, the UPC 42 in. A lavatory over a closet on a stack: the IPC has three
     * ways for it, the UPC none.
     */
    public function testWhatAnotherBookWouldSayStandsFindingByFinding(): void
    {
        $job = CaseJob::of('ipc-2021', [
            'stack' => ['roof', 'down 260 / north 60 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
            'a' => ['lavatory', 'north 60 fall 1/4', 'stack 1 1500', ['size' => '1-1/2']],
            'b' => ['water-closet', 'east 30 fall 1/4', 'stack 1 1900', ['size' => '3']],
        ]);
        $there = self::said($job, 'upc-2021');
        self::assertContains('new arm.long@a', $there);
        self::assertContains('new vent.byStack@b', $there);
        // Seen from there, the same is gone here.
        $back = self::said($job->under('upc-2021'), 'ipc-2021');
        self::assertContains('gone arm.long@a', $back);
        self::assertContains('gone vent.byStack@b', $back);
        self::assertSame([], self::said($job, 'ipc-2021'), 'under its own book nothing is otherwise');
    }

    public function testWhatIsSaidWithOtherNumbersIsOtherwise(): void
    {
        $job = CaseJob::of('upc-2021', [
            'stack' => ['roof', 'down 260 / north 60 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
            'a' => ['lavatory', 'north 90 fall 1/4', 'stack 1 1500', ['size' => '1-1/2']],
        ]);
        self::assertContains('other arm.long@a', self::said($job, 'ipc-2021'));
    }

    /** @return list<string> */
    private static function said(Job $job, string $book): array
    {
        $evaluator = new JobEvaluator(Catalogue::shipped());
        $rows = (new BooksCompared($evaluator->evaluate($job), $evaluator->evaluate($job->under($book))))->rows();

        return array_map(
            static fn (array $row): string => "{$row['change']} ".
                ($row['there']['rule'] ?? $row['here']['rule'] ?? '').
                "@{$row['run']}",
            $rows,
        );
    }
}
