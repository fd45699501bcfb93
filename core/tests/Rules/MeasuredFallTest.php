<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Rules\FallLeastRule;
use FallBend\Core\Rules\FallMostRule;
use FallBend\Core\Rules\MeasuredFall;
use FallBend\Core\Tests\Fixtures;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Where;
use PHPUnit\Framework\TestCase;

final class MeasuredFallTest extends TestCase
{
    public function testALegIsMeasuredInPlan(): void
    {
        $fall = MeasuredFall::of(Fixtures::layout('north 40 fall 500 mm/m')->legs[0]);
        self::assertEqualsWithDelta(500.0, $fall->mmPerM ?? 0.0, 1e-6);
        self::assertEqualsWithDelta(1016.0 * cos(atan(0.5)), $fall->planMm ?? 0.0, 0.01);
        self::assertSame('2', $fall?->size);
        self::assertNull(MeasuredFall::of(Fixtures::layout('down 40')->legs[0]));
    }

    public function testTheLeastIsEnoughAndATenthLessIsTaken(): void
    {
        $least = Catalogue::shipped()->rulebook('ipc-2021')->forSize('fall.least', '2', 'pvc-dwv-40');
        $mm = $least->value ?? 0.0;
        $said = static fn (float $fall): ?RuleId => FallLeastRule::verdict(
            new MeasuredFall($fall, 1000.0, '2'),
            $least,
            new Where,
            'IPC 2021',
        )?->rule;
        self::assertNull($said($mm));
        self::assertNull($said($mm - 0.09));
        self::assertSame(RuleId::FallLeast, $said($mm - 0.11));
    }

    public function testTheMostIsTakenAndWhatIsSteepIsAnOffset(): void
    {
        $most = Catalogue::shipped()->rulebook('adh-2015')->forSize('fall.most', '40', 'pvcu-solvent');
        $mm = $most->value ?? 0.0;
        $said = static fn (float $fall): ?RuleId => FallMostRule::verdict(
            new MeasuredFall($fall, 1000.0, '40'),
            $most,
            new Where,
        )?->rule;
        self::assertNull($said($mm + 0.09));
        self::assertSame(RuleId::FallMost, $said($mm + 0.11));
        self::assertSame(RuleId::FallMost, $said(267.9));
        self::assertNull($said(268.0), '15° and more');
    }

    public function testALevelLegSaysWhatItShouldFall(): void
    {
        $finding = Fixtures::findings('north 40 level')[0];
        self::assertSame(RuleId::FallNone, $finding->rule);
        self::assertEqualsWithDelta(1000 / 48, $finding->params['least_mm_per_m'], 0.01);
        self::assertEqualsWithDelta(1016 / 48, $finding->params['drop_mm'], 0.01);
    }
}
