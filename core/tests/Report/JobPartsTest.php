<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Report;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Report\BoardSummary;
use FallBend\Core\Report\JobParts;
use FallBend\Core\Site\Progress;
use PHPUnit\Framework\TestCase;

final class JobPartsTest extends TestCase
{
    private JobFile $file;

    protected function setUp(): void
    {
        $this->file = new JobFile(Catalogue::shipped());
    }

    public function testWhatIsCutChangesNoPartButThoseOfCutting(): void
    {
        [$before, $after] = [$this->evaluated(), $this->evaluated([], $this->firstPieceCut())];
        self::assertSame($this->file->laidText($before->job()), $this->file->laidText($after->job()));
        $runs = array_map(static fn (string $id): string => "run:{$id}", $before->layout()->ids());
        self::assertNotSame([], $runs);
        foreach ([...JobParts::WHOLE, ...$runs] as $name) {
            self::assertSame((new JobParts($before))->text($name), (new JobParts($after))->text($name), $name);
        }
        self::assertNotSame(
            (new JobParts($before))->text('cut:clay-wash'),
            (new JobParts($after))->text('cut:clay-wash'),
        );
    }

    public function testTheTextThatLaysAJobOutIsAnotherWithAnyOtherChange(): void
    {
        $text = $this->file->laidText($this->file->read($this->demo()));
        foreach (
            [
                ['name' => 'Renamed'],
                ['rulebook' => 'ipc-2021'],
                ['moves' => []],
                ['obstacles' => []],
                ['conditions' => ['air_c' => 4.0, 'surface_c' => 4.0, 'rh_percent' => 40, 'wet' => false]],
            ] as $n => $change
        ) {
            self::assertNotSame($text, $this->file->laidText($this->file->read($change + $this->demo())), "{$n}");
        }
    }

    public function testTheSummaryCountsWhatIsCutOntoWhatIsLaid(): void
    {
        [$before, $after] = [$this->evaluated(), $this->evaluated([], $this->firstPieceCut())];
        self::assertSame(BoardSummary::laid($before), BoardSummary::laid($after));
        $summary = static fn (EvaluatedJob $job): array => BoardSummary::counted(
            BoardSummary::laid($before),
            $job->job()->site,
            new Progress,
        );
        self::assertSame(
            [1, 0],
            [$summary($after)['done']['pieces_cut'], $summary($before)['done']['pieces_cut']],
        );
    }

    public function testEveryRunIsNamedWithoutBeingLaidOut(): void
    {
        $evaluated = $this->evaluated();
        self::assertSame(
            ['job', ...array_map(static fn (string $id): string => "run:{$id}", $evaluated->layout()->ids())],
            (new JobParts($this->evaluated()))->names(['job', JobParts::EVERY_RUN]),
        );
        self::assertSame('null', (new JobParts($evaluated))->text('run:nowhere'));
    }

    /** @param array<string, mixed> $change */
    private function evaluated(array $change = [], OnSite $site = new OnSite): EvaluatedJob
    {
        $job = $this->file->read($change + $this->demo())->onSite($site);

        return (new JobEvaluator(Catalogue::shipped()))->evaluate($job);
    }

    private function firstPieceCut(): OnSite
    {
        $piece = $this->evaluated()->run('clay-wash')->pieces[0];

        return new OnSite(['clay-wash' => [$piece->key => $piece->cutMm + 2]]);
    }

    /** @return array<string, mixed> */
    private function demo(): array
    {
        /** @var array<string, mixed> $document */
        $document = json_decode(
            (string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );

        return $document;
    }
}
