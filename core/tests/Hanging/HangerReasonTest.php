<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Hanging;

use FallBend\Core\Hanging\HangerKind;
use FallBend\Core\Hanging\HangerReason;
use FallBend\Core\Job\FramingKind;
use PHPUnit\Framework\TestCase;

final class HangerReasonTest extends TestCase
{
    public function testTheFootOfAStackIsSaidBeforeATurnAndATurnBeforeTheSpacing(): void
    {
        $reasons = [HangerReason::Spacing, HangerReason::Base, HangerReason::Turn];
        usort($reasons, static fn (HangerReason $a, HangerReason $b): int => $a->rank() <=> $b->rank());
        self::assertSame([HangerReason::Base, HangerReason::Turn, HangerReason::Spacing], $reasons);
    }

    public function testBetweenJoistsABattenIsLetInAndBetweenStudsBlocking(): void
    {
        self::assertSame([HangerKind::Joist, HangerKind::Batten], [
            HangerKind::on(FramingKind::Joist),
            HangerKind::between(FramingKind::Joist),
        ]);
        self::assertSame([HangerKind::Stud, HangerKind::Blocking], [
            HangerKind::on(FramingKind::Stud),
            HangerKind::between(FramingKind::Stud),
        ]);
    }
}
