<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Verdict;

use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;
use FallBend\Core\Verdict\Wording;
use PHPUnit\Framework\TestCase;

final class WordingTest extends TestCase
{
    public function testNumbersAreSaidInTheUnitsOfTheJob(): void
    {
        $finding = new Finding(
            RuleId::FallLeast,
            Severity::Stop,
            new Where,
            params: ['fall_mm_per_m' => 1000 / 96, 'least_mm_per_m' => 1000 / 48, 'size' => '2', 'more_mm' => 12.7],
        );
        self::assertSame(
            'It falls 1/8 in per ft; 2 in falls at least 1/4 in per ft.',
            (new Wording(Units::Inch))->sentences($finding)['why'],
        );
        self::assertSame(
            'Lay it at 1/4 in per ft: 1/2 in more over its length.',
            (new Wording(Units::Inch))->sentences($finding)['remedy'],
        );
        self::assertSame(
            'It falls 10.4 mm per m; 2 in falls at least 20.8 mm per m.',
            (new Wording(Units::Millimetre))->sentences($finding)['why'],
        );
    }

    public function testWhatIsNeededAtLeastIsRoundedUp(): void
    {
        $finding = static fn (float $mm): Finding => new Finding(
            RuleId::LegImpossible,
            Severity::Stop,
            new Where,
            params: ['shortfall_mm' => 1.0, 'needed_atleast_mm' => $mm, 'span_mm' => -1.0],
        );
        self::assertSame('Call at least 4 in.', (new Wording(Units::Inch))->sentences($finding(101.6))['remedy']);
        self::assertSame('Call at least 4 1/16 in.', (new Wording(Units::Inch))->sentences($finding(101.7))['remedy']);
        self::assertSame(
            'Call at least 102 mm.',
            (new Wording(Units::Millimetre))->sentences($finding(101.1))['remedy'],
        );
    }

    public function testTheFirstVariantThatHoldsIsTaken(): void
    {
        $unread = static fn (int $waiting): Finding => new Finding(
            RuleId::LegUnread,
            Severity::Stop,
            new Where,
            params: ['text' => 'x', 'waiting' => $waiting],
        );
        self::assertStringEndsNotWith('wait.', (new Wording(Units::Inch))->sentences($unread(0))['why']);
        self::assertStringEndsWith('The legs after it wait.', (new Wording(Units::Inch))->sentences($unread(2))['why']);
    }
}
