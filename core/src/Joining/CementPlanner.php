<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CementTable;
use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Which cement, primer and body for two plastics, and its clocks. Sources: ASTM D2855 and the charts that go with it,
 * as the rows of the table name them.
 * Of the two setting tables the slower is taken; damp adds half again; a joint is cured no sooner than it is set.
 */
final readonly class CementPlanner
{
    private CementTable $table;

    public function __construct(Catalogue $catalogue)
    {
        $this->table = $catalogue->cements();
    }

    /** @param ?float $dryFit how much of the socket the dry pipe goes into, 0 to 1 */
    public function plan(
        PipeSystem $a,
        PipeSystem $b,
        Pipe $pipe,
        Rulebook $rulebook,
        Conditions $conditions,
        ?float $dryFit = null,
    ): CementPlan {
        $cement = $a->isDrain && $b->isDrain ? $this->table->cement($a->material, $b->material) : null;
        if ($cement === null) {
            return $this->refused($a, $b, $pipe);
        }
        $transition = $cement['id'] === 'd3138';
        $findings = [
            ...$this->weather($conditions),
            ...$this->dryFit($dryFit),
            ...$transition ? [self::onlyThere($rulebook)] : [],
        ];
        $tooHot = $conditions->warmC() > $this->number('refused-above');
        $band =
            $conditions->coldC() < $this->number('refused-below') || $tooHot ? null : $this->band($conditions->coldC());
        $damp =
            $conditions->isWet || $conditions->humidity > $this->number('damp-above')
                ? $this->number('damp-factor')
                : 1.0;
        $set = $band === null ? null : $this->slowest($pipe->outsideMm, $band);
        $cure = $band === null ? null : self::minutes($this->table->cure['steps'], $pipe->outsideMm, $band);
        $body = $this->body($pipe->outsideMm);
        $sources = [
            $cement['provenance'],
            $this->table->cure['provenance'],
            ...array_column($this->table->sets, 'provenance'),
            $this->table->number('hold')->provenance,
            $this->table->number('working')->provenance,
        ];
        $primer = $this->primer($a, $b, $pipe, $rulebook);

        return new CementPlan(
            $cement,
            $primer,
            $body,
            $pipe->outsideMm * $this->number('dauber'),
            $band === null
                ? null
                : $this->number($conditions->warmC() > $this->number('hot-above') ? 'working-hot' : 'working'),
            $band === null ? null : $this->hold($pipe->outsideMm, $conditions),
            $set === null ? null : $set * $damp,
            $set === null || $cure === null ? null : max($set, $cure) * $damp,
            $findings,
            [
                ...$sources,
                ...$primer === null ? [] : [$primer['provenance']],
                ...$body === null ? [] : [$body['provenance']],
            ],
        );
    }

    /**
     * Gives how many cans of each size joints of one size take, rounded up, and the joints that a can is good for.
     *
     * @param float $joints a number of sockets
     * @return ?array{pint: float, quart: float, litre: float, provenance: Provenance} in cans, not rounded; null where
     *     the size is beyond the chart
     */
    public function cans(float $joints, Pipe $pipe): ?array
    {
        foreach ($this->table->yields as $yield) {
            if ($pipe->outsideMm <= $yield['up_to']) {
                return [
                    'pint' => $joints / $yield['pint'],
                    'quart' => $joints / $yield['quart'],
                    'litre' => $joints / $yield['litre'],
                    'provenance' => $yield['provenance'],
                ];
            }
        }

        return null;
    }

    /**
     * Gives the ranges of temperature that the charts tell apart, coldest first, each from and to in °C.
     *
     * @return list<array{float, float}>
     */
    public function ranges(): array
    {
        $edges = [$this->number('refused-below'), $this->number('hot-above'), $this->number('refused-above')];
        foreach ($this->table->bands as $band) {
            if ($band['least'] > $this->number('refused-below') + Tolerance::ROUNDING) {
                $edges[] = $band['least'];
            }
        }
        sort($edges);

        return array_map(
            static fn (float $from, float $to): array => [$from, $to],
            array_slice($edges, 0, -1),
            array_slice($edges, 1),
        );
    }

    /** Gives how many times further primer goes than cement. */
    public function primerYield(): float
    {
        return $this->number('primer-yield');
    }

    private function number(string $id): float
    {
        return $this->table->number($id)->value;
    }

    private function refused(PipeSystem $a, PipeSystem $b, Pipe $pipe): CementPlan
    {
        $bad =
            array_values(
                array_filter(
                    [$a, $b],
                    static fn (PipeSystem $system): bool => ! $system->isDrain ||
                        in_array(
                            $system->material,
                            ['pp', 'iron', 'clay', 'copper', 'steel', 'brass', 'plastic-tube'],
                            true,
                        ),
                ),
            )[0] ?? null;
        $rule = match (true) {
            $bad === null => RuleId::CementNoCement,
            ! $bad->isDrain => RuleId::CementNoDrain,
            $bad->material === 'pp' => RuleId::CementDoesNotDissolve,
            default => RuleId::CementNoPlastic,
        };

        return new CementPlan(
            null,
            null,
            null,
            $pipe->outsideMm * $this->number('dauber'),
            null,
            null,
            null,
            null,
            [
                new Finding(
                    $rule,
                    Severity::Stop,
                    new Where,
                    params: ['a' => $a->short, 'b' => $b->short, 'pipe' => ($bad ?? $a)->short],
                ),
            ],
            [$pipe->provenance],
        );
    }

    /** @return list<Finding> */
    private function weather(Conditions $conditions): array
    {
        $findings = [];
        $cold = $conditions->coldC();
        if ($cold < $this->number('refused-below')) {
            $findings[] = $this->found(RuleId::CementTooCold, Severity::Stop, $cold, 'refused-below');
        } elseif ($cold < $this->number('cold-below')) {
            $findings[] = $this->found(RuleId::CementCold, Severity::Warn, $cold, 'cold-below');
        }
        if ($conditions->warmC() > $this->number('refused-above')) {
            $findings[] = $this->found(RuleId::CementTooHot, Severity::Stop, $conditions->warmC(), 'refused-above');
        } elseif ($conditions->warmC() > $this->number('hot-above')) {
            $findings[] = $this->found(RuleId::CementHot, Severity::Warn, $conditions->warmC(), 'hot-above');
        }
        if ($conditions->isWet) {
            $findings[] = $this->found(RuleId::CementWet, Severity::Warn, $conditions->humidity, 'damp-above');
        } elseif ($conditions->humidity > $this->number('damp-above')) {
            $findings[] = $this->found(RuleId::CementDamp, Severity::Note, $conditions->humidity, 'damp-above');
        }

        return $findings;
    }

    private function found(RuleId $rule, Severity $severity, float $measured, string $limit): Finding
    {
        $row = $this->table->number($limit);

        return new Finding(
            $rule,
            $severity,
            new Where,
            $measured,
            $row->value,
            ['measured_c' => $measured, 'limit_c' => $row->value, 'percent' => round($measured)],
            $row->provenance,
        );
    }

    /** @return list<Finding> */
    private function dryFit(?float $fraction): array
    {
        if ($fraction === null) {
            return [];
        }
        [$least, $most] = [$this->table->number('dry-fit-least'), $this->table->number('dry-fit-most')];
        $percent = (int) round($fraction * 100);

        return match (true) {
            $fraction >= 0.999 => [
                new Finding(
                    RuleId::CementDryFitBottoms,
                    Severity::Stop,
                    new Where,
                    $fraction,
                    $most->value,
                    ['percent' => $percent],
                    $most->provenance,
                ),
            ],
            $fraction > $most->value + 0.001 => [
                new Finding(
                    RuleId::CementDryFitLoose,
                    Severity::Warn,
                    new Where,
                    $fraction,
                    $most->value,
                    ['percent' => $percent],
                    $most->provenance,
                ),
            ],
            $fraction < $least->value - 0.001 => [
                new Finding(
                    RuleId::CementDryFitTight,
                    Severity::Warn,
                    new Where,
                    $fraction,
                    $least->value,
                    ['percent' => $percent],
                    $least->provenance,
                ),
            ],
            default => [],
        };
    }

    private static function onlyThere(Rulebook $rulebook): Finding
    {
        $allowed = $rulebook->number('joint.transition-cement');

        return new Finding(
            match (true) {
                $allowed < 1 => RuleId::CementTransitionNever,
                $allowed < 2 => RuleId::CementTransitionPlace,
                default => RuleId::CementTransitionBetween,
            },
            $allowed < 1 ? Severity::Stop : ($allowed < 2 ? Severity::Warn : Severity::Note),
            new Where,
            params: ['book' => $rulebook->name],
            source: $rulebook->source('joint.transition-cement'),
        );
    }

    /**
     * @return array{name: string, standard: string, kind: string, provenance: Provenance, tinted: bool, needed: bool,
     *     may_be_waived: bool}|null
     */
    private function primer(PipeSystem $a, PipeSystem $b, Pipe $pipe, Rulebook $rulebook): ?array
    {
        $pvc = $a->material === 'pvc' || $b->material === 'pvc';
        if ($pvc && $rulebook->allows('joint.primer.pvc')) {
            return $this->table->primers['f656'] + [
                'tinted' => $rulebook->allows('joint.primer.tinted'),
                'needed' => true,
                'may_be_waived' => $pipe->outsideMm <= $rulebook->number('joint.primer.waiver') + Tolerance::CONVERTED_MM,
            ];
        }
        $uk = $a->region === 'uk' || $b->region === 'uk' || ($pvc && $rulebook->allows('joint.cleaner'));

        return $uk
            ? $this->table->primers['cleaner'] + ['tinted' => false, 'needed' => true, 'may_be_waived' => false]
            : null;
    }

    /** @return array{id: string, said: string, provenance: Provenance}|null */
    private function body(float $outsideMm): ?array
    {
        foreach ($this->table->bodies as $body) {
            if ($outsideMm <= $body['up_to']) {
                return ['id' => $body['id'], 'said' => $body['said'], 'provenance' => $body['provenance']];
            }
        }

        return null;
    }

    /** The band that a temperature lies in; warmer than the chart counts as its warmest. */
    private function band(float $celsius): string
    {
        foreach ($this->table->bands as $band) {
            if ($celsius >= $band['least'] - Tolerance::ROUNDING) {
                return $band['id'];
            }
        }

        return $this->table->bands[count($this->table->bands) - 1]['id'];
    }

    private function slowest(float $outsideMm, string $band): ?float
    {
        $minutes = array_filter(
            array_map(
                static fn (array $table): ?float => self::minutes($table['steps'], $outsideMm, $band),
                $this->table->sets,
            ),
            is_float(...),
        );

        return $minutes === [] ? null : max($minutes);
    }

    /** @param list<array{up_to: float, min: array<string, float>}> $steps */
    private static function minutes(array $steps, float $outsideMm, string $band): ?float
    {
        foreach ($steps as $step) {
            if ($outsideMm <= $step['up_to']) {
                return $step['min'][$band];
            }
        }

        return null;
    }

    private function hold(float $outsideMm, Conditions $conditions): float
    {
        $large = $outsideMm >= $this->number('hold-large-from');
        $cold = $conditions->coldC() < $this->number('cold-below');

        return $this->number($large && $cold ? 'hold-large-cold' : ($large || $cold ? 'hold-large' : 'hold'));
    }
}
