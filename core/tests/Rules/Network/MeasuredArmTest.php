<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Rules\Network\ArmFallRule;
use FallBend\Core\Rules\Network\ArmLongRule;
use FallBend\Core\Rules\Network\ArmShortRule;
use FallBend\Core\Rules\Network\MeasuredArm;
use FallBend\Core\Rules\Network\NamedFixture;
use FallBend\Core\Rules\Network\TrapKindRule;
use FallBend\Core\Rules\Network\TrapSealRule;
use FallBend\Core\Rules\Network\TrapSizeRule;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Where;
use PHPUnit\Framework\TestCase;

/** Arms and traps on both sides of their limits, as whoever measured one asks. */
final class MeasuredArmTest extends TestCase
{
    private Rulebook $upc;

    protected function setUp(): void
    {
        $this->upc = Catalogue::shipped()->rulebook('upc-2021');
    }

    public function testAnArmIsAsLongAsItMayBe(): void
    {
        $arm = static fn (float $mm, FixtureKind $kind = FixtureKind::Lavatory): MeasuredArm => new MeasuredArm(
            $kind,
            'it',
            '1-1/2',
            $mm,
            20.0,
        );
        // UPC table 1002.2: 42 in for 1-1/2.
        $most = $arm(500.0)->mostMm($this->upc) ?? 0.0;
        self::assertEqualsWithDelta(1066.8, $most, 0.01);
        self::assertNull(ArmLongRule::verdict($arm($most + 0.5), $this->upc, new Where));
        $finding = ArmLongRule::verdict($arm($most + 0.6), $this->upc, new Where);
        self::assertSame(RuleId::ArmLong, $finding?->rule);
        self::assertEqualsWithDelta(0.6, $finding->params['over_mm'], 1e-6);
        self::assertSame(
            RuleId::ArmMostNotKnown,
            ArmLongRule::verdict(
                new MeasuredArm(FixtureKind::Lavatory, 'it', '12', 500.0, 1.0),
                $this->upc,
                new Where,
            )?->rule,
        );
    }

    public function testAnArmFallsOneDiameterAndIsTwoLong(): void
    {
        $arm = static fn (float $long, float $drop, float $upright = 0.0): MeasuredArm => new MeasuredArm(
            FixtureKind::Lavatory,
            'it',
            '2',
            $long,
            $drop,
            $upright,
        );
        self::assertNull(ArmFallRule::verdict($arm(500.0, 51.3), $this->upc, new Where));
        self::assertSame(RuleId::ArmFall, ArmFallRule::verdict($arm(500.0, 51.4), $this->upc, new Where)?->rule);
        self::assertSame(
            RuleId::ArmSShape,
            ArmFallRule::verdict($arm(500.0, 51.4, 10.0), $this->upc, new Where)?->rule,
        );
        self::assertNull(ArmShortRule::verdict($arm(101.2, 1.0), $this->upc, new Where));
        self::assertSame(RuleId::ArmShort, ArmShortRule::verdict($arm(101.0, 1.0), $this->upc, new Where)?->rule);
    }

    public function testAClosetHasItsOwnRules(): void
    {
        $arm = new MeasuredArm(FixtureKind::WaterCloset, 'closet', '3', 100.0, 500.0);
        self::assertTrue($arm->isOfCloset());
        self::assertNull(ArmFallRule::verdict($arm, $this->upc, new Where));
        self::assertNull(ArmShortRule::verdict($arm, $this->upc, new Where));
        self::assertSame($this->upc->limit('closet-arm.most'), $arm->most($this->upc));
    }

    public function testASealIsAsDeepAsItMayBe(): void
    {
        $said = fn (float $mm): array => array_column(
            array_map(
                static fn ($finding): array => $finding->params,
                TrapSealRule::verdict($mm, new NamedFixture(FixtureKind::Lavatory, 'basin'), $this->upc, new Where),
            ),
            'off',
        );
        // UPC 1005.1: 2 to 4 in.
        self::assertSame(['shallow'], $said(50.2));
        self::assertSame([], $said(50.3));
        self::assertSame([], $said(102.1));
        self::assertSame(['deep'], $said(102.2));
    }

    public function testAnArmThatIsOnlyMeasuredIsNoneThatGoesUpright(): void
    {
        $arm = new MeasuredArm(FixtureKind::Lavatory, 'it', '2', 1000.0, 60.0);
        self::assertSame(RuleId::ArmFall, ArmFallRule::verdict($arm, $this->upc, new Where)?->rule);
    }

    public function testATrapIsTakenOrNotAndNoLargerThanItsDrain(): void
    {
        self::assertSame([], TrapKindRule::verdict(TrapKind::P, 'basin', $this->upc, new Where));
        self::assertSame(
            RuleId::TrapKind,
            TrapKindRule::verdict(TrapKind::S, 'basin', $this->upc, new Where)[0]->rule,
        );
        $sizes = static fn (string $trap, string $drain): array => [
            'fixture' => 'basin',
            'trap' => $trap,
            'drain' => $drain,
        ];
        self::assertSame([], TrapSizeRule::larger($sizes('1-1/2', '1-1/2'), $this->upc, new Where));
        self::assertSame(
            RuleId::TrapLarger,
            TrapSizeRule::larger($sizes('2', '1-1/2'), $this->upc, new Where)[0]->rule,
        );
    }
}
