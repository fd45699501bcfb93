<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Job\TrapKind;
use PHPUnit\Framework\TestCase;

final class TrapKindTest extends TestCase
{
    public function testWhereNobodySaysItIsAPTrapOrTheOneInTheFixture(): void
    {
        self::assertSame(TrapKind::P, TrapKind::usual(FixtureKind::Lavatory));
        self::assertSame(TrapKind::Integral, TrapKind::usual(FixtureKind::WaterCloset));
        self::assertSame(TrapKind::Integral, TrapKind::usual(FixtureKind::Urinal));
    }

    public function testEveryBookSaysOfEveryTrapWhetherItTakesIt(): void
    {
        $catalogue = Catalogue::shipped();
        foreach ($catalogue->rulebookKeys() as $key) {
            foreach (array_diff(array_column(TrapKind::cases(), 'value'), ['none']) as $kind) {
                self::assertNotNull($catalogue->rulebook($key)->threshold("trap.kind.{$kind}"), "{$key} {$kind}");
            }
        }
    }
}
