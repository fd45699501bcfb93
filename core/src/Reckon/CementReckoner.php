<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\CementPlan;
use FallBend\Core\Joining\CementPlanner;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\SourceList;

/**
 * Cement, primer and body for two plastics, the clocks of the joint in this weather, and the cans for a number of
 * joints.
 */
final readonly class CementReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'cement';
    }

    public function summary(): string
    {
        return 'cement, primer and body for two plastics, working, hold, set and cure times in this weather, and the cans needed';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $a = $catalogue->system($input->choice('a', $catalogue->systemKeys()));
        $b = $catalogue->system($input->choice('b', $catalogue->systemKeys()));
        $size = $input->choice('size', $a->sizes());
        $fit = $input->numberOrNull('dry_fit_fraction', 0, 1);
        $conditions = Conditions::read($input);
        $rulebook = $catalogue
            ->rulebook(
                $input->has('rulebook')
                    ? $input->choice('rulebook', $catalogue->rulebookKeys())
                    : ($a->region === 'uk'
                        ? 'adh-2015'
                        : 'ipc-2021'),
            )
            ->with($overrides->rulebook);
        $joints = $this->joints($input, $size, $a);
        $input->end();
        $planner = new CementPlanner($catalogue);
        $plan = $planner->plan($a, $b, $a->pipe($size), $rulebook, $conditions, $fit);
        [$cans, $sources] = $plan->cement === null ? [null, []] : $this->cans($joints, $planner, $a, $plan);
        $units = $rulebook->units === 'mm' ? Units::Millimetre : Units::Inch;

        return [
            'cement' => $plan->cement === null
                    ? null
                    : [
                        'row' => $plan->cement['id'],
                        'name' => $plan->cement['name'],
                        'standard' => $plan->cement['standard'],
                        'colour' => $plan->cement['colour'],
                        'body' => $plan->body['id'] ?? null,
                    ],
            'primer' => $plan->primer === null
                    ? null
                    : [
                        'row' => $plan->primer['provenance']->row,
                        'name' => $plan->primer['name'],
                        'standard' => $plan->primer['standard'],
                        'kind' => $plan->primer['kind'],
                        'tinted' => $plan->primer['tinted'],
                        'needed' => $plan->primer['needed'],
                        'may_be_waived' => $plan->primer['may_be_waived'],
                    ],
            'working_s' => $plan->workingS,
            'hold_s' => $plan->holdS,
            'set_min' => $plan->setMin,
            'cure_min' => $plan->cureMin,
            'dauber_mm' => $plan->dauberMm,
            'steps' => $plan->isRefused() ? [] : $this->steps($plan, $units),
            'cans' => $cans,
            'findings' => FindingReport::list($plan->findings, $units),
            'sources' => SourceList::list([
                ...$plan->sources,
                ...$sources,
                ...array_map(static fn ($finding) => $finding->source, $plan->findings),
            ]),
        ];
    }

    /**
     * Reads `joints`: a number of sockets of the size, or a list of `{size, count}`.
     *
     * @return list<array{string, int}>
     */
    private function joints(Fields $input, string $size, PipeSystem $system): array
    {
        if (! $input->has('joints')) {
            return [];
        }
        if (is_int($input->raw('joints'))) {
            return [[$size, $input->int('joints', 0, 100_000)]];
        }
        if (! is_array($input->raw('joints'))) {
            throw BadInput::at(
                $input->at('joints'),
                'must be a whole number, or a list of sizes and counts',
                $input->raw('joints'),
            );
        }
        $joints = [];
        foreach ($input->children('joints', 100) as $row) {
            $joints[] = [$row->choice('size', $system->sizes()), $row->int('count', 0, 100_000)];
            $row->end();
        }

        return $joints;
    }

    /**
     * @param list<array{string, int}> $joints
     * @return array{array<string, mixed>, list<\FallBend\Core\Catalog\Provenance>}
     */
    private function cans(array $joints, CementPlanner $planner, PipeSystem $system, CementPlan $plan): array
    {
        $sums = ['pint' => 0.0, 'quart' => 0.0, 'litre' => 0.0];
        [$sources, $known] = [[], true];
        foreach ($joints as [$size, $count]) {
            $cans = $planner->cans((float) $count, $system->pipe($size));
            if ($cans === null) {
                $known = false;

                continue;
            }
            foreach (array_keys($sums) as $can) {
                $sums[$can] += $cans[$can];
            }
            $sources[] = $cans['provenance'];
        }
        $whole = static fn (float $cans): int => (int) ceil($cans - Tolerance::ROUNDING);

        return [
            [
                'joints' => array_sum(array_column($joints, 1)),
                'cement' => $known ? array_map($whole, $sums) : null,
                'primer' => $known && $plan->primer !== null
                        ? array_map(static fn (float $cans): int => $whole($cans / $planner->primerYield()), $sums)
                        : null,
            ],
            $sources,
        ];
    }

    /** @return list<array{id: string, do: string, say: string, caution: ?string}> */
    private function steps(CementPlan $plan, Units $units): array
    {
        $method = match ($plan->cement['id'] ?? '') {
            'd2235' => Method::SolventAbs,
            'd3138' => Method::SolventTransition,
            'en14680' => Method::SolventUkWaste,
            default => Method::SolventPvc,
        };
        $phrasing = new Phrasing($units);
        $params = array_filter(
            [
                'cement' => $plan->cement['name'] ?? '',
                'body' => $plan->body['id'] ?? 'heavy',
                'primer' => $plan->primer['name'] ?? null,
                'dauber_mm' => $plan->dauberMm,
                'working_s' => (string) ($plan->workingS ?? 20),
                'hold_s' => (string) ($plan->holdS ?? 30),
                'set_said' => Phrasing::minutes($plan->setMin ?? 0),
                'cure_said' => Phrasing::minutes($plan->cureMin ?? 0),
            ],
            static fn (mixed $value): bool => $value !== null,
        );
        $steps = [];
        foreach (MethodTexts::text($method)['steps'] as $step) {
            if (
                ! in_array($step['id'], ['dry', 'prime', 'wipe', 'clean', 'label', 'cement', 'push', 'wait'], true) ||
                (isset($step['when']) && ! Phrasing::holds($step['when'], $params))
            ) {
                continue;
            }
            $steps[] = [
                'id' => $step['id'],
                'do' => $phrasing->filled($step['do'], $params),
                'say' => $phrasing->filled($step['say'], $params),
                'caution' => $step['caution'] ?? null,
            ];
        }

        return $steps;
    }
}
