<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Report;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\BuildingQuestions;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A book asks of the building what its own rows need, and what was said of it is kept. */
final class BuildingQuestionsTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> */
    public static function books(): iterable
    {
        yield 'IPC' => ['ipc-2021', ['coldest_c', 'snow_mm', 'roof_used']];
        yield 'UPC' => ['upc-2021', ['one_family', 'storeys', 'coldest_c', 'roof_used', 'whole']];
        yield 'NPC' => ['npc-2020', ['one_family', 'coldest_c', 'roof_used', 'renovation']];
        yield 'AD H' => ['adh-2015', ['drain_ventilated']];
    }

    /** @param list<string> $facts */
    #[DataProvider('books')]
    public function testABookAsksWhatItsRowsNeed(string $book, array $facts): void
    {
        $asked = BuildingQuestions::of(Catalogue::shipped()->rulebook($book));
        self::assertSame($facts, array_column($asked, 'fact'));
        foreach ($asked as $one) {
            self::assertSame($book, $one['source']['table']);
        }
    }

    public function testWhatWasSaidOfItIsKept(): void
    {
        $said = [
            'storeys' => 3,
            'one_family' => false,
            'coldest_c' => -25.5,
            'snow_mm' => 300.0,
            'roof_used' => false,
            'drain_ventilated' => true,
            'whole' => true,
            'renovation' => false,
        ];
        $file = new JobFile(Catalogue::shipped());
        $runs = [
            'k' => ['kitchen-sink disposer=no', 'north 30 fall 1/4', 'socket'],
            'f' => ['floor-drain guard=barrier', 'north 30 fall 1/4', 'socket'],
        ];
        $job = CaseJob::of('upc-2021', $runs, building: $said);
        $read = $file->parse($file->write($job->withRuns($job->runs)));
        self::assertSame($said, $read->building->toArray());
        self::assertFalse($read->runs[0]->outlet->fixture?->hasDisposer);
        self::assertSame('barrier', $read->runs[1]->outlet->fixture?->guard?->value);
        self::assertSame([], CaseJob::of('upc-2021', $runs)->building->toArray(), 'nobody said anything');
    }
}
