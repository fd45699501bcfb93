<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Coupling;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\FindingReport;

/**
 * Writes a decision so that it can be followed: parts, lengths, torque, times and steps of each offer, and why each
 * other way is refused.
 *
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type PartReport array{
 *     table: string,
 *     row: string,
 *     name: string,
 *     maker_name: string,
 *     size: string,
 *     doubtful: bool,
 *     source: Source,
 * }
 * @phpstan-type CementClock array{
 *     said: string,
 *     now: bool,
 *     working_s: ?float,
 *     hold_s: ?float,
 *     set_min: ?float,
 *     cure_min: ?float,
 * }
 * @phpstan-type OfferedMethod array{
 *     method: string,
 *     name: string,
 *     maker_name: string,
 *     say: string,
 *     family: string,
 *     variant: string,
 *     parts: list<PartReport>,
 *     instead: list<PartReport>,
 *     insert_a_mm: ?float,
 *     insert_b_mm: ?float,
 *     gap_mm: ?float,
 *     reach_mm: ?float,
 *     slide_room_mm: ?float,
 *     torque_nm: ?float,
 *     torque_in_lb: ?float,
 *     driver: string,
 *     bands: int,
 *     opens: bool,
 *     price_class: int,
 *     steps: list<array{
 *         id: string,
 *         do: string,
 *         say: string,
 *         tools: list<string>,
 *         caution: ?string,
 *     }>,
 *     times: array{
 *         working_s: ?float,
 *         hold_s: ?float,
 *         set_min: ?float,
 *         cure_min: ?float,
 *         first_water: value-of<MethodTexts::FIRST_WATER>,
 *     },
 *     by_temperature: list<CementClock>,
 *     check: string,
 *     troubles: list<array{
 *         what: value-of<TroubleKind>,
 *         now: ?string,
 *         then: string,
 *         act: value-of<Mending>,
 *     }>,
 *     cautions: list<string>,
 *     findings: list<SaidFinding>,
 *     unknown: list<string>,
 * }
 * @phpstan-type JointRefused array{
 *     method: string,
 *     name: string,
 *     reason: string,
 *     why: string,
 *     near: bool,
 *     unknown: bool,
 *     source: Source|null,
 * }
 */
final readonly class InstructionCard
{
    private Phrasing $phrasing;

    private CementPlanner $cements;

    public function __construct(Catalogue $catalogue, private Units $units)
    {
        $this->phrasing = new Phrasing($units);
        $this->cements = new CementPlanner($catalogue);
    }

    /** @return OfferedMethod one entry of `methods` */
    public function offer(
        Offer $offer,
        PipeEnd $a,
        PipeEnd $b,
        Place $place,
        Rulebook $rulebook,
        Conditions $conditions,
    ): array {
        $texts = MethodTexts::text($offer->method);
        $plan = $this->plan($offer, $a, $b, $rulebook, $conditions);
        $coupling = $this->coupling($offer);
        $steps = $this->steps($texts['steps'], $this->params($offer, $a, $b, $place, $rulebook, $plan));

        return [
            'method' => $offer->method->value,
            'name' => $texts['name'],
            'maker_name' => $texts['maker_name'],
            'say' => $texts['say'],
            'family' => $texts['family'],
            'variant' => $offer->variant,
            'parts' => [...array_map($this->part(...), $offer->parts), ...self::cans($plan)],
            'instead' => array_map($this->part(...), $offer->instead),
            'insert_a_mm' => $offer->insertAMm,
            'insert_b_mm' => $offer->insertBMm,
            'gap_mm' => $offer->gapMm,
            'reach_mm' => $offer->reachMm(),
            'slide_room_mm' => $offer->slideRoomMm,
            'torque_nm' => $coupling?->torqueNm,
            'torque_in_lb' => $coupling?->torqueInLb,
            'driver' => $coupling->driver ?? '',
            'bands' => $coupling->bands ?? 0,
            'opens' => $texts['opens'],
            'price_class' => self::price($offer),
            'steps' => $steps,
            'times' => [
                'working_s' => $plan?->workingS,
                'hold_s' => $plan?->holdS,
                'set_min' => $plan?->setMin,
                'cure_min' => $plan?->cureMin,
                'first_water' => $plan === null ? $texts['first_water'] : 'after-cure',
            ],
            'by_temperature' => $plan === null
                ? []
                : $this->byTemperature(
                    fn (Conditions $then): ?CementPlan => $this->plan($offer, $a, $b, $rulebook, $then),
                    $conditions,
                ),
            'check' => $texts['check'],
            'troubles' => array_map(
                static fn (array $trouble): array => $trouble + ['now' => null],
                $texts['troubles'],
            ),
            'cautions' => array_values(array_unique(array_filter(array_column($steps, 'caution'), is_string(...)))),
            'findings' => FindingReport::list($plan->findings ?? [], $this->units),
            'unknown' => $this->unknown($offer),
        ];
    }

    /** @return JointRefused one entry of `refused` */
    public function refusal(Refusal $refusal): array
    {
        return [
            'method' => $refusal->method->value,
            'name' => MethodTexts::text($refusal->method)['name'],
            'reason' => $refusal->reason,
            'why' => $refusal->reason === 'ends'
                    ? MethodTexts::text($refusal->method)['wants']
                    : $this->phrasing->filled(MethodTexts::refusal($refusal->reason), $refusal->params),
            'near' => $refusal->isNear,
            'unknown' => $refusal->isUnknown,
            'source' => $refusal->source?->toArray(),
        ];
    }

    /** @return list<Provenance> every row that an offer rests on */
    public function sources(Offer $offer, PipeEnd $a, PipeEnd $b, Rulebook $rulebook, Conditions $conditions): array
    {
        return [
            MethodTexts::source($offer->method),
            ...array_map(static fn ($part): Provenance => $part->provenance, [...$offer->parts, ...$offer->instead]),
            ...$this->plan($offer, $a, $b, $rulebook, $conditions)->sources ?? [],
        ];
    }

    private function plan(Offer $offer, PipeEnd $a, PipeEnd $b, Rulebook $rulebook, Conditions $conditions): ?CementPlan
    {
        $cemented = $offer->cemented($a, $b);
        if ($cemented === null) {
            return null;
        }
        [$other, $cemented] = $offer->method->isCement() ? [$a, $b] : [$cemented, $cemented];
        $wide = $cemented->outsideMm >= $other->outsideMm ? $cemented : $other;

        return $this->cements->plan($other->system, $cemented->system, $wide->pipe, $rulebook, $conditions);
    }

    /**
     * What cement takes in the ranges of temperature of its charts, as damp as it is now.
     *
     * @param callable(Conditions): ?CementPlan $planned in other weather
     * @return list<CementClock>
     */
    private function byTemperature(callable $planned, Conditions $now): array
    {
        $rows = [];
        foreach ($this->cements->ranges() as [$from, $to]) {
            $middle = ($from + $to) / 2;
            $then = new Conditions($middle, $middle, $now->humidity, $now->isWet, true);
            $plan = $planned($then);
            $rows[] = [
                'said' => "{$this->phrasing->temperature($from)} to {$this->phrasing->temperature($to)}",
                'now' => $now->isStated && $now->coldC() >= $from && $now->coldC() < $to,
                'working_s' => $plan?->workingS,
                'hold_s' => $plan?->holdS,
                'set_min' => $plan?->setMin,
                'cure_min' => $plan?->cureMin,
            ];
        }

        return $rows;
    }

    /** @return array<string, float|int|string> what the sentences may speak of; what is not known is left out */
    private function params(
        Offer $offer,
        PipeEnd $a,
        PipeEnd $b,
        Place $place,
        Rulebook $rulebook,
        ?CementPlan $plan,
    ): array {
        $coupling = $this->coupling($offer);
        $part = $offer->parts === [] ? null : $offer->parts[count($offer->parts) - 1];
        $materials = [$a->system->material, $b->system->material];
        $panel = $rulebook->number('joint.slip.panel');
        $insert = max($offer->insertAMm ?? 0.0, $offer->insertBMm ?? 0.0);

        return array_filter(
            [
                'variant' => $offer->variant,
                'insert_mm' => $insert > 0 ? $insert : null,
                'gap_mm' => $offer->gapMm,
                'iron' => in_array('iron', $materials, true) ? 'yes' : null,
                'metal' => array_intersect(['iron', 'steel', 'brass'], $materials) === [] ? null : 'yes',
                'plastic' => array_intersect(['pvc', 'abs', 'pvc-u', 'abs-uk', 'pp'], $materials) === [] ? null : 'yes',
                'buried' => $place->ground === 'buried' ? 'yes' : null,
                'above' => $place->ground === 'above' ? 'yes' : null,
                'torque_said' => $coupling === null ? null : $this->torque($coupling),
                'driver' => $coupling?->driver,
                'back_off_mm' => $coupling?->backOffMm,
                'panel_mm' => $panel > 0 ? $panel : null,
                'hand_tight_mm' => $part instanceof Part ? $part->handTightMm : null,
                'engage_mm' => $part instanceof Part && $part->handTightMm !== null ? $part->lengthMm : null,
                'lead_said' => $part instanceof Part ? $part->leadInWords($this->units) : null,
                ...$this->cementParams($plan),
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    /** @return array<string, float|int|string|null> */
    private function cementParams(?CementPlan $plan): array
    {
        if ($plan === null) {
            return [];
        }
        $primer = $plan->primer;

        return [
            'cement' => $plan->cement === null ? null : "{$plan->cement['name']} ({$plan->cement['standard']})",
            'body' => $plan->body['id'] ?? 'heavy',
            'primer' => $primer === null ? null : self::primer($primer),
            'dauber_mm' => $plan->dauberMm,
            'working_s' => $plan->workingS === null ? '0' : (string) $plan->workingS,
            'hold_s' => $plan->holdS === null ? '30' : (string) $plan->holdS,
            'set_said' => $plan->setMin === null ? 'a time that no table gives' : Phrasing::minutes($plan->setMin),
            'cure_said' => $plan->cureMin === null ? 'a time that no table gives' : Phrasing::minutes($plan->cureMin),
        ];
    }

    /** @param array{name: string, standard: string, kind: string, tinted: bool, may_be_waived: bool, ...} $primer */
    private static function primer(array $primer): string
    {
        if ($primer['kind'] !== 'primer') {
            return ucfirst($primer['name']);
        }

        return ($primer['tinted'] ? 'Tinted ' : 'Clear or tinted ').
            "{$primer['name']} ({$primer['standard']})".
            ($primer['may_be_waived'] ? '; may be left out with a cement certified for it' : '');
    }

    /**
     * @param list<array{id: string, do: string, say: string, tools?: list<string>, caution?: string, when?: string}> $steps
     * @param array<string, float|int|string> $params
     * @return list<array{id: string, do: string, say: string, tools: list<string>, caution: ?string}>
     */
    private function steps(array $steps, array $params): array
    {
        $written = [];
        foreach ($steps as $step) {
            // A step that speaks of a number which is not known says nothing; its other version, for the unknown,
            // stands beside it.
            preg_match_all('/\{(\w+)\}/', $step['do'].$step['say'], $named);
            if (
                (isset($step['when']) && ! Phrasing::holds($step['when'], $params)) ||
                array_diff($named[1], array_keys($params)) !== []
            ) {
                continue;
            }
            $written[] = [
                'id' => $step['id'],
                'do' => $this->phrasing->filled($step['do'], $params),
                'say' => $this->phrasing->filled($step['say'], $params),
                'tools' => array_map(
                    fn (string $tool): string => $this->phrasing->filled(
                        $tool,
                        $params + ['dauber_mm' => 25.4, 'driver' => '', 'torque_said' => ''],
                    ),
                    $step['tools'] ?? [],
                ),
                'caution' => $step['caution'] ?? null,
            ];
        }

        return $written;
    }

    /** What a band is tightened to; null where it is tightened with a tool, and no torque is stated. */
    private function torque(Coupling $coupling): ?string
    {
        if ($coupling->torqueInLb === null || $coupling->torqueNm === null) {
            return $coupling->driver === 'by hand' ? 'by hand' : null;
        }

        return $this->units === Units::Inch
            ? round($coupling->torqueInLb).' in·lb'
            : round($coupling->torqueNm, 1).' N·m';
    }

    private function coupling(Offer $offer): ?Coupling
    {
        foreach ($offer->parts as $part) {
            if ($part instanceof Coupling) {
                return $part;
            }
        }

        return null;
    }

    /** @return PartReport */
    private function part(object $part): array
    {
        /** @var Coupling|Part|\FallBend\Core\Catalog\StraightFitting $part */
        return [
            'table' => $part->provenance->table,
            'row' => $part->id,
            'name' => $part->name,
            'maker_name' => $part->makerName,
            'size' => $part->size,
            'doubtful' => $part->provenance->isDoubtful(),
            'source' => $part->provenance->toArray(),
        ];
    }

    /** @return list<PartReport> the cement and the primer as parts */
    private static function cans(?CementPlan $plan): array
    {
        $parts = [];
        foreach ([$plan?->cement, $plan?->primer] as $can) {
            if ($can !== null) {
                $parts[] = [
                    'table' => 'cements',
                    'row' => $can['provenance']->row,
                    'name' => $can['name'],
                    'maker_name' => $can['standard'],
                    'size' => '',
                    'doubtful' => $can['provenance']->isDoubtful(),
                    'source' => $can['provenance']->toArray(),
                ];
            }
        }

        return $parts;
    }

    private static function price(Offer $offer): int
    {
        $class = 1;
        foreach ($offer->parts as $part) {
            $class = max($class, $part instanceof Coupling || $part instanceof Part ? $part->priceClass : 1);
        }

        return $class;
    }

    /** @return list<string> lengths that are to be measured before anything is cut by them */
    private function unknown(Offer $offer): array
    {
        return array_keys(
            array_filter([
                'insert_a_mm' => $offer->insertAMm === null,
                'insert_b_mm' => $offer->insertBMm === null,
                'gap_mm' => $offer->gapMm === null,
            ]),
        );
    }
}
