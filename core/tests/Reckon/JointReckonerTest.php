<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** What joins two ends, and what does not. */
final class JointReckonerTest extends TestCase
{
    use Reckons;

    private const PVC = ['system' => 'pvc-dwv-40', 'size' => '2', 'end' => 'plain'];

    public function testLikeIsJoinedToLikeWithItsOwnCementFirst(): void
    {
        $answer = self::reckon('joint', [
            'a' => self::PVC,
            'b' => self::PVC,
            'rulebook' => 'ipc-2021',
        ]);
        self::assertSame('solvent-pvc', $answer['methods'][0]['method']);
        self::assertNotContains('solvent-pvc', array_column($answer['refused'], 'method'));
    }

    public function testWaterTubeIsJoinedToNoDrain(): void
    {
        $answer = self::reckon('joint', [
            'a' => ['system' => 'cpvc-cts', 'size' => '2', 'end' => 'plain', 'od_mm' => 54],
            'b' => self::PVC,
            'rulebook' => 'npc-2020',
        ]);
        self::assertSame([], $answer['methods']);
        self::assertSame(['no-drain'], array_values(array_unique(array_column($answer['refused'], 'reason'))));
    }

    public function testColdIsSaidOfCementAndOfNothingThatIsTightened(): void
    {
        $answer = self::reckon('joint', [
            'a' => self::PVC,
            'b' => ['system' => 'ci-hub-service', 'size' => '2', 'end' => 'hub'],
            'rulebook' => 'ipc-2021',
            'air_c' => 2,
        ]);
        $byMethod = array_column($answer['methods'], null, 'method');
        self::assertContains('cement.cold', self::found($byMethod['hub-adapter']));
        self::assertNotContains('cement.cold', self::found($byMethod['hub-gasket']));
    }
}
