<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Hanging\Beam;
use FallBend\Core\Hanging\FilledPipe;
use FallBend\Core\Hanging\SagFindings;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/** How a pipe sags between two hangers, and whether water stays in it. */
final readonly class SagReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'sag';
    }

    public function summary(): string
    {
        return 'sag of a pipe between two hangers, whether it keeps a pocket at its fall, and the longest span that does not';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $system = $catalogue->system($input->choice('system', $catalogue->systemKeys()));
        $pipe = $system->pipe($input->choice('size', $system->sizes()));
        $span = $input->number('span_mm', 1, 100_000);
        $fill = $input->number('fill', 0, 1);
        $celsius = $input->numberOrNull('contents_c', -20, 100) ?? 23.0;
        $isYears = $input->choice('duration', ['short', 'years']) === 'years';
        $ends = $input->choice('ends', Beam::ENDS);
        $fall = $input->number('fall_mm_per_m', 0, 1000);
        $input->end();
        $material = $catalogue->material($system->material);
        $filled = $material === null ? null : new FilledPipe($pipe, $material, $fill);
        [$load, $stiffness] = [$filled?->loadNPerMm(), $filled?->stiffness($celsius, $isYears)];
        $beam = $load === null || $stiffness === null ? null : new Beam($span, $load, $stiffness, $ends);
        $pocket = $beam?->pocket($fall);

        return [
            'deflection_mm' => $beam?->deflectionMm(),
            'steepest_mm_per_m' => $beam?->steepestMmPerM(),
            'ponds' => $beam === null ? null : $pocket !== null,
            'pond_depth_mm' => $beam === null ? null : $pocket['depth_mm'] ?? 0.0,
            'pond_from_mm' => $pocket['from_mm'] ?? null,
            'pond_to_mm' => $pocket['over_mm'] ?? null,
            'longest_span_mm' => $beam?->longestSpanMm($fall),
            'shape_mm' => $beam?->shapeMm() ?? [],
            'findings' => FindingReport::list(
                self::findings($beam, $pocket, $system->name, $celsius, $isYears),
                Units::Millimetre,
            ),
            'sources' => SourceList::list([$pipe->provenance, $material?->provenance]),
        ];
    }

    /**
     * @param array{depth_mm: float, over_mm: float, from_mm: float}|null $pocket
     * @return list<Finding>
     */
    private static function findings(?Beam $beam, ?array $pocket, string $system, float $celsius, bool $isYears): array
    {
        if ($beam === null) {
            return [
                new Finding(
                    RuleId::SagModulusNotKnown,
                    Severity::Unknown,
                    new Where,
                    params: [
                        'system' => $system,
                        'contents_c' => round($celsius),
                        'duration' => $isYears ? 'years' : 'hours',
                    ],
                ),
            ];
        }

        return SagFindings::ponds($pocket, new Where);
    }
}
