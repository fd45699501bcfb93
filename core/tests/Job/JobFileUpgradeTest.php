<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Job\JobFileUpgrade;
use PHPUnit\Framework\TestCase;

/** What a job file of an earlier version says in the newest. */
final class JobFileUpgradeTest extends TestCase
{
    public function testANumberThatWasMeasuredIsThatOfItsOwnField(): void
    {
        $row = static fn (string $row, float $mm): array => [
            'system' => 'pvc-dwv-40',
            'row' => $row,
            'take_off_mm' => $mm,
            'source' => 'in the hand',
        ];
        $document = JobFileUpgrade::fromV1([
            'version' => 1,
            'overrides' => [
                'catalogue' => [$row('coupling/2', 3.0), $row('bushing/3x2', 9.0), $row('quarter/2', 58.0)],
            ],
        ]);
        self::assertSame(2, $document['version']);
        self::assertSame(
            ['stop_mm', 'offset_mm', 'take_off_mm'],
            array_column($document['overrides']['catalogue'] ?? [], 'field'),
        );
        self::assertSame([3.0, 9.0, 58.0], array_column($document['overrides']['catalogue'] ?? [], 'value'));
    }

    public function testASpigotIsANumberOfItsOwn(): void
    {
        $entries = JobFileUpgrade::fromV1([
            'overrides' => [
                'catalogue' => [
                    ['system' => 'pvc-dwv-40', 'row' => 'street-quarter/2', 'take_off_mm' => 58, 'spigot_mm' => 77],
                ],
            ],
        ])['overrides']['catalogue'];
        self::assertSame(['take_off_mm' => 58, 'spigot_mm' => 77], array_column($entries, 'value', 'field'));
    }

    public function testWhatWasDoneGoesOutOfThePlan(): void
    {
        $document = JobFileUpgrade::fromV3([
            'version' => 3,
            'cutting' => ['kerf_mm' => 2, 'cut' => [['run' => 'a']], 'printed' => []],
            'hanging' => [['run' => 'a', 'swing_c' => 9, 'readings' => [['leg' => 'l1']]], 'text'],
            'standing' => [['id' => 'tee', 'evidence' => ['od_mm' => 48.4]]],
        ]);
        self::assertSame(
            [
                'version' => 4,
                'cutting' => ['kerf_mm' => 2],
                'hanging' => [['run' => 'a', 'swing_c' => 9], 'text'],
                'standing' => [['id' => 'tee']],
            ],
            $document,
        );
    }

    public function testWhatItDoesNotUnderstandIsLeftToWhoeverReadsIt(): void
    {
        $broken = ['overrides' => ['catalogue' => ['text', ['no' => 'row']]]];
        self::assertSame($broken['overrides'], JobFileUpgrade::fromV1($broken)['overrides']);
        self::assertSame(['runs' => [], 'version' => 3], JobFileUpgrade::fromV2(['runs' => []]));
    }
}
