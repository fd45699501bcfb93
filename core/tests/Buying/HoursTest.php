<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Buying;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

final class HoursTest extends TestCase
{
    /**
     * Three legs in PVC: three pieces to cut, and six sockets to cement, two at each of the two bends and one at either
     * end. By the table: 45 min once, 3 × 6 for the pieces, 6 × 5 for the joints, 60 for the test.
     */
    public function testWhatThereIsToDoIsCountedAndTimed(): void
    {
        $rows = array_column($this->hours($this->job()), null, 'id');
        self::assertSame([1, 45.0], [$rows['set-up']['count'], $rows['set-up']['minutes']]);
        self::assertSame([3, 18.0], [$rows['cut']['count'], $rows['cut']['minutes']]);
        self::assertSame([6, 30.0], [$rows['joint/cement']['count'], $rows['joint/cement']['minutes']]);
        self::assertSame([1, 60.0], [$rows['test']['count'], $rows['test']['minutes']]);
        self::assertGreaterThan(3, $rows['hanger']['count']);
        self::assertArrayNotHasKey('hole', $rows, 'nothing is gone through');
        self::assertSame('low', $rows['cut']['source']['confidence'], 'it is said to be a guess');
    }

    public function testTheCrewsOwnMinutesGoBefore(): void
    {
        $file = new JobFile(Catalogue::shipped());
        /** @var array<string, mixed> $document */
        $document = json_decode($file->write($this->job()), true, 64, JSON_THROW_ON_ERROR);
        $document['overrides'] = [
            'catalogue' => [
                ['table' => 'hours', 'row' => 'cut', 'field' => 'value', 'value' => 4, 'source' => 'our own time'],
            ],
        ];
        $rows = array_column($this->hours($file->parse(json_encode($document, JSON_THROW_ON_ERROR))), null, 'id');
        self::assertSame([12.0, 'measured'], [$rows['cut']['minutes'], $rows['cut']['source']['status']]);
        self::assertSame(30.0, $rows['joint/cement']['minutes'], 'the others stay');
    }

    public function testAnEmptyJobTakesNone(): void
    {
        self::assertSame([], $this->hours(CaseJob::of('ipc-2021', [])));
    }

    private function job(): Job
    {
        return CaseJob::of('ipc-2021', [
            'main' => [
                'socket',
                'north 60 fall 1/4 / right 50 fall 1/4 / left 45° 40 fall 1/4',
                'socket',
                ['size' => '2'],
            ],
        ]);
    }

    /** @return list<array<string, mixed>> */
    private function hours(Job $job): array
    {
        return (new JobEvaluator(Catalogue::shipped()))->evaluate($job)->hours()->rows();
    }
}
