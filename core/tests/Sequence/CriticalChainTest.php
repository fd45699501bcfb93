<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Sequence;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Sequence\Breath;
use FallBend\Core\Sequence\Breaths;
use FallBend\Core\Sequence\CriticalChain;
use FallBend\Core\Sequence\DayProblem;
use FallBend\Core\Sequence\DaySearch;
use FallBend\Core\Sequence\SiteJoint;
use PHPUnit\Framework\TestCase;

final class CriticalChainTest extends TestCase
{
    /**
     * @param list<SiteJoint> $joints
     * @param list<float>|null $releases
     * @return list<string> `id cause after` of each link
     */
    private static function chain(array $joints, ?array $releases = null): array
    {
        $breaths = array_map(static fn (SiteJoint $joint): Breath => new Breath([$joint]), $joints);
        $problem = new DayProblem($breaths, 1, $releases ?? array_fill(0, count($joints), 0.0));
        $links = (new CriticalChain($problem, (new DaySearch($problem, Effort::unlimited()))->plan()))->links();
        $id = static fn (?int $breath): string => $breath === null ? '' : ' '.$joints[$breath]->id;

        return array_map(
            static fn (array $link): string => "{$joints[$link['breath']]->id} {$link['cause']->value}{$id(
                $link['after'],
            )}",
            $links,
        );
    }

    public function testItBeginsWithTheDayAndEndsWithWhatIsFilledLast(): void
    {
        self::assertSame(
            ['bench start', 'place set bench'],
            self::chain([
                new SiteJoint('bench', 5.0, setMin: 30.0, fillMin: 40.0),
                new SiteJoint('beside', 10.0),
                new SiteJoint('place', 5.0, fillMin: 60.0, needs: ['bench']),
            ]),
        );
    }

    public function testHandsThatAreBusyAreACause(): void
    {
        self::assertSame(
            ['slow start', 'quick hands slow'],
            self::chain([
                new SiteJoint('quick', 10.0, fillMin: 5.0),
                new SiteJoint('slow', 10.0, fillMin: 6.0),
            ]),
        );
    }

    public function testALineThatIsNotClosedYetIsACause(): void
    {
        $joints = [new SiteJoint('one', 10.0), new SiteJoint('two', 1.0)];
        self::assertSame(['one release'], self::chain($joints, [45.0, 0.0]));
    }

    public function testNothingIsCriticalOfNothing(): void
    {
        self::assertSame([], self::chain([]));
    }

    public function testABreathIsMadeInTheOrderInWhichItsJointsNeedEachOther(): void
    {
        $joints = [
            new SiteJoint('tee', 2.0, needs: ['stub']),
            new SiteJoint('far', 1.0),
            new SiteJoint('stub', 3.0, setMin: 10.0),
        ];
        $breaths = Breaths::list($joints, [['tee', 'stub']]);
        self::assertCount(2, $breaths);
        self::assertSame(['stub' => 0.0, 'tee' => 3.0], $breaths[0]->from);
        self::assertSame(5.0, $breaths[0]->until, 'it does not wait for itself to set');
    }
}
