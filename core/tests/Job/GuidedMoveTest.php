<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\GuidedMove;
use PHPUnit\Framework\TestCase;

/** What was measured for one move of making up. */
final class GuidedMoveTest extends TestCase
{
    /** @param array<string, mixed> $values */
    private static function move(array $values, string $kind = 'ends', string $name = 'over the beam'): GuidedMove
    {
        $fields = Fields::of(['kind' => $kind, 'run' => 'main', 'name' => $name, 'values' => $values]);

        return GuidedMove::read($fields, 'm1', ['main']);
    }

    public function testItIsKeptAsItWasSaid(): void
    {
        $move = self::move(['along_mm' => -1200.5, 'plumb' => true, 'from_leg' => 'l3']);
        $written = json_decode(json_encode($move->toArray(), JSON_THROW_ON_ERROR), true);
        self::assertSame(['from_leg' => 'l3', 'along_mm' => -1200.5, 'plumb' => true], $written['values']);
        self::assertSame(['m1', 'ends', 'main', 'over the beam'], [$move->id, $move->kind, $move->run, $move->name]);
    }

    public function testWhatIsMeasuredForATrapIsNoPartOfTwoEnds(): void
    {
        $this->expectExceptionObject(BadInput::at('values.seal_mm', 'is not known here', 50));
        self::move(['seal_mm' => 50]);
    }

    public function testANumberOutOfReachIsRefusedAtItsPlace(): void
    {
        foreach ([['max_bends' => 5], ['turn_deg' => 181], ['clearance_mm' => -1]] as $values) {
            try {
                self::move($values);
                self::fail('was taken');
            } catch (BadInput $bad) {
                self::assertSame('values.'.array_key_first($values), $bad->field);
            }
        }
        self::assertSame(['max_bends' => 4.0], self::move(['max_bends' => 4])->values);
    }

    public function testItHasAName(): void
    {
        $this->expectException(BadInput::class);
        self::move([], name: '  ');
    }
}
