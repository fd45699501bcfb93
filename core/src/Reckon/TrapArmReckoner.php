<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use FallBend\Core\Rules\Network\ArmFallRule;
use FallBend\Core\Rules\Network\ArmLongRule;
use FallBend\Core\Rules\Network\ArmShortRule;
use FallBend\Core\Rules\Network\MeasuredArm;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/**
 * One trap arm: shortest, longest, how far it falls, and whether the vent opening stays above the weir. At rest the
 * water in the trap stands at its weir,
 * which is the invert of the arm where it begins; the opening at the vent lies `vent_opening_mm` above the invert
 * there, which is `drop_mm` lower.
 */
final readonly class TrapArmReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'trap-arm';
    }

    public function summary(): string
    {
        return 'shortest and longest trap arm, its drop, and whether its vent opening stays above the weir';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $system = $this->catalogue
            ->with($overrides->catalogue)
            ->system($input->choice('system', $this->catalogue->systemKeys()));
        $size = $input->choice('size', $system->sizes());
        $length = $input->number('length_mm', 0.001, 1_000_000);
        $fall = $input->number('fall_mm_per_m', 0, 10_000);
        $book = $this->catalogue
            ->rulebook($input->choice('rulebook', $this->catalogue->rulebookKeys()))
            ->with($overrides->rulebook);
        $fixture = $input->has('fixture') ? $input->enum('fixture', FixtureKind::class) : null;
        $opening = $input->numberOrNull('vent_opening_mm', 0, 5000) ?? $system->pipe($size)->boreMm;
        $input->end();
        $arm = new MeasuredArm(
            $fixture,
            $fixture->value ?? 'the fixture',
            $size,
            $length,
            ($length * $fall) / 1000,
        );
        $findings = self::judge($arm, $opening, $book);
        [$most, $least] = [$arm->most($book), $arm->least($book)];

        return [
            'least_mm' => $arm->diametersMm($least),
            'most_mm' => $arm->mostMm($book),
            'drop_mm' => $arm->dropMm,
            'opening_above_weir_mm' => $opening - $arm->dropMm,
            'verdict' => $findings === [] ? 'pass' : $findings[0]->severity->value,
            'findings' => FindingReport::list($findings, $book->units === 'mm' ? Units::Millimetre : Units::Inch),
            'sources' => SourceList::list([
                $most?->provenance,
                $least?->provenance,
                $book->source('trap-arm.fall-most'),
                $system->pipe($size)->provenance,
            ]),
        ];
    }

    /**
     * @param float $openingMm how high the vent opens over the weir, before the arm has fallen
     * @return list<Finding> the heaviest first
     */
    private static function judge(MeasuredArm $arm, float $openingMm, Rulebook $book): array
    {
        $where = new Where;
        $below = $arm->dropMm - $openingMm;
        $weir =
            $arm->isOfCloset() || $below < 0
                ? null
                : new Finding(RuleId::ArmVentBelowWeir, Severity::Stop, $where, -$below, 0.0, [
                    'drop_mm' => $arm->dropMm,
                    'below_mm' => $below,
                ]);
        $verdicts = [
            ArmLongRule::verdict($arm, $book, $where),
            ArmFallRule::verdict($arm, $book, $where),
            $weir,
            ArmShortRule::verdict($arm, $book, $where),
        ];
        $findings = array_values(array_filter($verdicts, static fn (?Finding $finding): bool => $finding !== null));
        usort(
            $findings,
            static fn (Finding $one, Finding $other): int => $one->severity->rank() <=> $other->severity->rank(),
        );

        return $findings;
    }
}
