<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Flow\Manning;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Crossing;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Network\Sizing;
use FallBend\Core\Rules\Network\ArmLongRule;
use FallBend\Core\Rules\Network\MeasuredArm;
use FallBend\Core\Rules\Network\VentMissingRule;
use FallBend\Core\Venting\Tried;
use FallBend\Core\Venting\VentMethod;
use FallBend\Core\Venting\Vents;

/**
 * Writes an evaluated network as the interface shows it: where every run stands, what flows in every pipe, how every
 * trap is vented, what is drilled.
 *
 * @phpstan-import-type Point from Vec3
 * @phpstan-import-type Source from Provenance
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type WrittenNetwork array{
 *     counts_flow: bool,
 *     places: list<RunPlace>,
 *     fixtures: list<FixtureReport>,
 *     pipes: list<PipeReport>,
 *     crossings: list<CrossingReport>,
 * }
 * @phpstan-type RunPlace array{
 *     run: string,
 *     name: string,
 *     use: value-of<RunUse>,
 *     frame: string,
 *     at: Point,
 *     into: ?string,
 *     rises: bool,
 *     fixture: ?string,
 * }
 * @phpstan-type FixtureReport array{
 *     run: string,
 *     name: string,
 *     kind: string,
 *     trap: string,
 *     counted_as: ?string,
 *     group: string,
 *     load: ?float,
 *     load_said: string,
 *     source: Source|null,
 *     discharge: Discharge|null,
 *     arm: ArmReport|null,
 * }
 * @phpstan-type VentWayReport array{
 *     method: value-of<VentMethod>,
 *     name: string,
 *     state: 'vents'|'lacks'|'not-judged',
 *     missing: list<string>,
 *     source: Source,
 * }
 * @phpstan-type ArmReport array{
 *     size: string,
 *     length: Reading,
 *     drop: Reading,
 *     most: Reading|null,
 *     over: bool,
 *     unlimited: bool,
 *     turn_deg: float,
 *     fall_mm_per_m: ?float,
 *     upright: bool,
 *     vent: 'none'|'not-known'|'gully'|'drain'|'wet'|'dry',
 *     vent_by: ?string,
 *     ways: list<VentWayReport>,
 *     bore_mm: ?float,
 *     seal_mm: ?float,
 *     end_mm: float,
 *     vent_bore_mm: ?float,
 *     vent_length_mm: ?float,
 *     source: Source|null,
 * }
 * @phpstan-type PipeReport array{
 *     run: string,
 *     from_mm: float,
 *     to_mm: float,
 *     size: string,
 *     role: 'dry-vent'|'wet-vent'|'drain'|'dead',
 *     called_vent: bool,
 *     fixtures: int,
 *     made_wet_by: ?string,
 *     vents: list<string>,
 *     closets: int,
 *     load: ?float,
 *     load_said: string,
 *     place: ?string,
 *     most: ?float,
 *     short: bool,
 *     most_said: ?string,
 *     proposed: ?string,
 *     flow: Flow|null,
 *     source: Source|null,
 * }
 * @phpstan-type CrossingReport array{
 *     obstacle: string,
 *     number: int,
 *     kind: string,
 *     name: string,
 *     run: string,
 *     run_name: string,
 *     leg: int,
 *     tape_mm: float,
 *     along: Reading,
 *     size: string,
 *     cut: string,
 *     hole: Reading,
 *     from_top: Reading|null,
 *     depth: Reading|null,
 *     outside_mm: float,
 *     rated: bool,
 *     sealed: bool,
 * }
 * @phpstan-type Discharge array{
 *     l_per_s: float,
 *     litres: float,
 *     source: Source,
 *     volume_source: Source,
 * }
 * @phpstan-type Flow array{
 *     l_per_s: float,
 *     fall_mm_per_m: float,
 *     fill: ?float,
 *     velocity_m_per_s: ?float,
 *     self_cleansing: bool,
 *     full_l_per_s: float,
 * }
 */
final readonly class NetworkReport
{
    private Tape $tape;

    private Sizing $sizing;

    private Vents $vents;

    public function __construct(private Network $network, private Rulebook $rulebook)
    {
        $this->tape = new Tape;
        $this->sizing = new Sizing($network, $rulebook);
        $this->vents = new Vents($network, $rulebook);
    }

    /** Whether loads are flows in l/s; false: they are units. */
    public function countsFlow(): bool
    {
        return $this->sizing->isFlow();
    }

    /** @return list<RunPlace> where every run stands, and into which other it leads */
    public function places(): array
    {
        return array_map($this->place(...), array_values($this->network->layout->runs));
    }

    /** @return list<FixtureReport> what every fixture loads the drain with, and how its trap is vented */
    public function fixtures(): array
    {
        return array_map($this->head(...), $this->network->heads);
    }

    /** @return list<PipeReport> what flows in every pipe between two places where others enter */
    public function pipes(): array
    {
        return array_map($this->segment(...), $this->network->segments);
    }

    /** @return list<CrossingReport> what is drilled */
    public function crossings(): array
    {
        return array_map($this->crossing(...), $this->network->crossings);
    }

    /** @return RunPlace */
    private function place(RunLayout $layout): array
    {
        [$run, $whole] = [$layout->run, $this->network->layout];

        return [
            'run' => $run->id,
            'name' => $run->name,
            'use' => $run->use->value,
            'frame' => $whole->frames[$run->id],
            'at' => $whole->offsets[$run->id]->toArray(),
            'into' => $run->tieIn->branch->run ?? ($run->tieIn->next ?? $run->outlet->branch?->run),
            'rises' => $run->rises(),
            'fixture' => $run->outlet->fixture?->kind->value,
        ];
    }

    /** @return FixtureReport */
    private function head(LoadedFixture $head): array
    {
        $arm = $this->network->arm($head);

        return [
            'run' => $head->node->run,
            'name' => $head->name,
            'kind' => $head->fixture->kind->value,
            'trap' => $head->fixture->trap->value,
            'counted_as' => $head->fixture->variant === null ? null : $head->load?->name,
            'group' => $head->fixture->group,
            'load' => $head->load?->value,
            'load_said' => $head->load === null ? 'not known' : $this->sizing->loadInWords($head->load->value),
            'source' => $head->load?->provenance->toArray(),
            'discharge' => $this->discharge($head),
            'arm' => $arm === null ? null : $this->arm($arm),
        ];
    }

    /**
     * @return Discharge|null what it empties with, for the explanation of its seal; null where nobody
     *     assumed it
     */
    private function discharge(LoadedFixture $head): ?array
    {
        $assumed = $this->network->catalogue->assumptions();
        [$flow, $volume] = [
            $assumed["discharge-flow.{$head->fixture->kind->value}"] ?? null,
            $assumed["discharge-volume.{$head->fixture->kind->value}"] ?? null,
        ];

        return $flow === null || $volume === null
            ? null
            : [
                'l_per_s' => $flow->value,
                'litres' => $volume->value,
                'source' => $flow->provenance->toArray(),
                'volume_source' => $volume->provenance->toArray(),
            ];
    }

    /** @return VentWayReport one method that was held against a trap */
    private static function way(Tried $tried): array
    {
        return [
            'method' => $tried->method->value,
            'name' => $tried->row->title,
            'state' => match (true) {
                $tried->carries() => 'vents',
                $tried->isOpen() => 'not-judged',
                default => 'lacks',
            },
            'missing' => $tried->missingInWords(),
            'source' => $tried->row->provenance->toArray(),
        ];
    }

    /** @return ArmReport */
    private function arm(Arm $arm): array
    {
        $judged = MeasuredArm::of($arm);
        $most = $judged->most($this->rulebook);
        $limit = $judged->mostMm($this->rulebook);
        $tried = $this->vents->tried($arm);
        $isOpen = VentMissingRule::mayComeBeyond($arm, $tried, $this->rulebook) || Vents::notJudged($tried) !== null;
        $vent = match (true) {
            $arm->vent === null && Vents::carrying($tried) !== null => 'drain',
            $arm->vent === null => $isOpen ? 'not-known' : 'none',
            $arm->by === null => 'gully',
            $arm->isWetVented() => 'wet',
            default => 'dry',
        };

        return [
            'size' => $arm->size(),
            'length' => $this->tape->reading($arm->lengthMm),
            'drop' => $this->tape->reading($arm->dropMm),
            'most' => $this->tape->readingOrNull($limit),
            'over' => $limit !== null && ArmLongRule::isOver($judged->judgedMm($this->rulebook), $limit),
            'unlimited' => $most?->value !== null && $most->value <= 0.0,
            'turn_deg' => $arm->turnDeg,
            'fall_mm_per_m' => $arm->steepestMmPerM,
            'upright' => $arm->uprightMm > 0,
            'vent' => $vent,
            'vent_by' => $arm->by?->layout->run->name,
            'ways' => array_map(self::way(...), $tried),
            'bore_mm' => $arm->segments === [] ? null : $arm->segments[0]->layout->system->pipe($arm->size())->boreMm,
            'seal_mm' => $arm->head->fixture->sealMm ??
                $this->rulebook->forFixture('trap.seal-least', $arm->head->fixture->kind)?->value,
            'end_mm' => $arm->lengthMm + ($arm->vent === null ? 0.0 : $this->network->drain($arm->vent)?->lengthMm() ?? 0.0),
            'vent_bore_mm' => $arm->by === null ? null : $arm->by->layout->system->pipe($arm->by->size())->boreMm,
            'vent_length_mm' => $arm->by === null ? null : ($this->network->air($arm->by->up)->lengthMm ?? 0.0) + $arm->by->lengthMm(),
            'source' => $most?->provenance->toArray(),
        ];
    }

    /** @return PipeReport */
    private function segment(Segment $segment): array
    {
        $check =
            $segment->isWet && $segment->isLoadKnown && $segment->load > 0
                ? $this->sizing->checks($segment)[0] ?? null
                : null;

        return [
            'run' => $segment->run(),
            'from_mm' => $segment->fromMm,
            'to_mm' => $segment->toMm,
            'size' => $segment->size(),
            'role' => $segment->role(),
            'called_vent' => $segment->isCalledVent(),
            'fixtures' => count($segment->heads),
            'made_wet_by' => $segment->isWet ? $segment->heads[0]->name ?? null : null,
            'vents' => array_values(
                array_unique(
                    array_map(
                        static fn (Arm $arm): string => $arm->head->name,
                        array_slice($this->network->vents($segment), 0, 6),
                    ),
                ),
            ),
            'closets' => $segment->closets,
            'load' => $segment->isLoadKnown ? $segment->load : null,
            'load_said' => $segment->isLoadKnown ? $this->sizing->loadInWords($segment->load) : 'not known',
            'place' => $check?->place,
            'most' => $check?->mostLoad,
            'short' => $check !== null && ! $check->carries($segment->load),
            'most_said' => $check?->mostLoad === null ? null : $this->sizing->loadInWords($check->mostLoad),
            'proposed' => $check === null ? null : $this->sizing->proposed($segment, $check),
            'flow' => $check === null ? null : $this->flow($segment),
            'source' => $check?->source?->toArray(),
        ];
    }

    /** @return Flow|null how the water runs in its flattest level stretch at the design flow */
    private function flow(Segment $segment): ?array
    {
        $fall = $segment->leastFallMmPerM();
        if ($fall === null || $fall <= 0) {
            return null;
        }
        $design = $this->sizing->designFlow($segment);
        $bore = $segment->layout->system->pipe($segment->size())->boreMm;
        $roughness = $this->rulebook->number('flow.roughness');
        $at = Manning::carrying($bore, $fall, $design, $roughness);

        return [
            'l_per_s' => $design,
            'fall_mm_per_m' => $fall,
            'fill' => $at?->fill,
            'velocity_m_per_s' => $at?->velocityMPerS,
            'self_cleansing' => $at !== null && $at->velocityMPerS >= $this->rulebook->number('flow.self-cleansing'),
            'full_l_per_s' => Manning::at($bore, $fall, 1.0, $roughness)->fullBoreLPerS,
        ];
    }

    /** @return CrossingReport */
    private function crossing(Crossing $crossing): array
    {
        $o = $crossing->obstacle;
        $leg = $this->network->layout->runs[$o->run]->leg($o->leg);

        return [
            'obstacle' => $o->id,
            'number' => $crossing->number,
            'kind' => $o->kind->value,
            'name' => $crossing->name(),
            'run' => $o->run,
            'run_name' => $this->network->layout->runs[$o->run]->run->name,
            'leg' => $leg->line->number ?? 0,
            'tape_mm' => $crossing->tapeMm,
            'along' => $this->tape->reading($crossing->tapeMm - ($leg->tapeMm ?? 0.0)),
            'size' => $crossing->size,
            'cut' => $o->cut,
            'hole' => $this->tape->reading($crossing->holeMm),
            'from_top' => $this->tape->readingOrNull($crossing->fromTopMm),
            'depth' => $this->tape->readingOrNull($o->depthMm),
            'outside_mm' => $crossing->outsideMm,
            'rated' => $o->isRated,
            'sealed' => $o->isSealed,
        ];
    }
}
