<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureTable;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/**
 * One trap arm: shortest, longest, how far it falls, and whether the vent opening stays above the weir. At rest the water in the trap stands at its weir,
 * which is the invert of the arm where it begins; the opening at the vent lies `vent_opening_mm` above the invert there, which is `drop_mm` lower.
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
        $system = $this->catalogue->with($overrides->catalogue)->system($input->choice('system', $this->catalogue->systemKeys()));
        $size = $input->choice('size', $system->sizes());
        $length = $input->number('length_mm', 0.001, 1_000_000);
        $fall = $input->number('fall_mm_per_m', 0, 10_000);
        $book = $this->catalogue->rulebook($input->choice('rulebook', $this->catalogue->rulebookKeys()))->with($overrides->rulebook);
        $fixture = $input->has('fixture') ? $input->choice('fixture', FixtureTable::KINDS) : '';
        $opening = $input->numberOrNull('vent_opening_mm', 0, 5000) ?? $system->pipe($size)->boreMm;
        $input->end();
        $most = $fixture === 'water-closet' ? $book->limit('closet-arm.most') : $book->forFixture('trap-arm.most', $fixture, $size);
        $least = $fixture === 'water-closet' ? null : $book->limit('trap-arm.least');
        $leastMm = $least?->value === null ? null : $least->value * Nominal::mm($size);
        $drop = $length * $fall / 1000;
        $findings = $this->judge(['length_mm' => $length, 'drop_mm' => $drop, 'opening_mm' => $opening, 'fixture' => $fixture === '' ? 'the fixture' : $fixture, 'size' => $size, 'book' => $book->name], $leastMm, $least, $most, $fixture, $book);

        return [
            'least_mm' => $leastMm,
            'most_mm' => $most?->value !== null && $most->value > 0 ? $most->value : null,
            'drop_mm' => $drop,
            'opening_above_weir_mm' => $opening - $drop,
            'verdict' => $findings === [] ? 'pass' : $findings[0]->severity->value,
            'findings' => FindingReport::list($findings, $book->units === 'mm' ? Units::Millimetre : Units::Inch),
            'sources' => SourceList::of([$most?->provenance, $least?->provenance, $book->source('trap-arm.fall-most'), $system->pipe($size)->provenance]),
        ];
    }

    /**
     * @param array{length_mm: float, drop_mm: float, opening_mm: float, fixture: string, size: string, book: string} $arm
     * @return list<Finding> the heaviest first
     */
    private function judge(array $arm, ?float $leastMm, ?Threshold $least, ?Threshold $most, string $fixture, Rulebook $book): array
    {
        $findings = [];
        $fall = $fixture === 'water-closet' ? null : $book->limit('trap-arm.fall-most');
        $fallMm = $fall?->value === null ? null : $fall->value * Nominal::mm($arm['size']);
        if ($most?->value !== null && $most->value > 0 && $arm['length_mm'] > $most->value + 0.5) {
            $findings[] = new Finding('arm.long', Severity::Stop, new Where, $arm['length_mm'], $most->value, $arm + ['most_mm' => $most->value, 'over_mm' => $arm['length_mm'] - $most->value], $most->provenance);
        }
        if ($fallMm !== null && $arm['drop_mm'] > $fallMm + 0.5) {
            $findings[] = new Finding('arm.fall', Severity::Stop, new Where, $arm['drop_mm'], $fallMm, $arm + ['most_mm' => $fallMm], $fall->provenance);
        }
        if ($fixture !== 'water-closet' && $arm['drop_mm'] >= $arm['opening_mm']) {
            $findings[] = new Finding('arm.ventBelowWeir', Severity::Stop, new Where, $arm['opening_mm'] - $arm['drop_mm'], 0.0, $arm + ['below_mm' => $arm['drop_mm'] - $arm['opening_mm']]);
        }
        if ($leastMm !== null && $arm['length_mm'] < $leastMm - 0.5) {
            $findings[] = new Finding('arm.short', Severity::Stop, new Where, $arm['length_mm'], $leastMm, $arm + ['least_mm' => $leastMm], $least?->provenance);
        }
        if ($most === null) {
            $findings[] = new Finding('arm.mostNotKnown', Severity::Unknown, new Where, $arm['length_mm'], null, $arm);
        }

        return $findings;
    }
}
