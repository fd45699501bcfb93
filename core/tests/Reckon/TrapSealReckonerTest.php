<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** How much of a seal stays. */
final class TrapSealReckonerTest extends TestCase
{
    use Reckons;

    private const BATH = [
        'bore_mm' => 40.9,
        'fall_mm_per_m' => 20.8,
        'length_mm' => 2400,
        'seal_mm' => 50,
        'flow_l_per_s' => 1.1,
        'volume_l' => 80,
        'rulebook' => 'ipc-2021',
    ];

    public function testABathWithoutAVentSucksItsTrapDry(): void
    {
        $answer = self::reckon('trap-seal', self::BATH + ['vent' => 'none']);
        self::assertTrue($answer['broken']);
        self::assertLessThan($answer['least_mm'], $answer['seal_left_mm']);
    }

    public function testAVentAtItsSideLeavesTheSeal(): void
    {
        $vent = ['vent' => 'open', 'vent_at_mm' => 600, 'vent_bore_mm' => 40.9, 'vent_length_mm' => 3000];
        $vented = self::reckon('trap-seal', self::BATH + $vent);
        $bare = self::reckon('trap-seal', self::BATH + ['vent' => 'none']);
        self::assertFalse($vented['broken']);
        self::assertLessThan($bare['most_suction_mm'], $vented['most_suction_mm']);
    }
}
