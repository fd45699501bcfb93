<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureTable;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\MakeUp\TrapFit;
use FallBend\Core\Measure\Units;
use FallBend\Core\Rules\Finding;
use FallBend\Core\Rules\Severity;
use FallBend\Core\Rules\Where;
use FallBend\Core\Rules\Wording;

/** A trap fitted between a tailpiece and an outlet: what to cut, add or shorten, in what order, and whether it may be. */
final readonly class TrapFitReckoner implements Reckoner
{
    private const FAR_MM = 20_000.0;

    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'trap-fit';
    }

    public function summary(): string
    {
        return 'a trap from a tailpiece to a wall or floor outlet: parts, cuts, heights that do not meet, steps and verdict';
    }

    public function reckon(Fields $input): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $rulebook = $this->catalogue->rulebook($input->choice('rulebook', $this->catalogue->rulebookKeys()))->with($overrides->rulebook);
        $fixture = $input->choice('fixture', FixtureTable::KINDS);
        [$tail, $outlet, $trap] = [$input->child('tailpiece'), $input->child('outlet'), $input->child('trap')];
        $tailAt = Points::read($tail, 'at');
        [$tailSize, $tailLength] = [$tail->string('size', 10), $tail->number('length_mm', 0, self::FAR_MM)];
        $system = $this->catalogue->system($outlet->choice('system', $this->catalogue->systemKeys()));
        $size = $outlet->choice('size', $system->sizes());
        $along = Points::direction($outlet, 'along');
        $outletAt = Points::read($outlet, 'at');
        $depth = $outlet->numberOrNull('depth_mm', 0, 1000);
        $pattern = $trap->choice('pattern', FixtureHead::TRAPS);
        $trapSize = $trap->string('size', 10);
        [$tall, $reach, $elbow, $seal, $adjust] = [$trap->numberOrNull('tall_mm', 1, 2000), $trap->numberOrNull('reach_mm', 0, 1000), $trap->numberOrNull('elbow_mm', 0, 500), $trap->numberOrNull('seal_mm', 0, 500), $trap->numberOrNull('adjust_mm', 0, 1000) ?? 0.0];
        $cabinet = $input->numberOrNull('cabinet_floor_mm', -self::FAR_MM, self::FAR_MM);
        foreach ([$tail, $outlet, $trap, $input] as $fields) {
            $fields->end();
        }
        $fall = $rulebook->forSize('fall.least', $size, $system->key)->value ?? 0.0;
        $fit = $tall === null || $reach === null ? null : new TrapFit($tailAt, $outletAt, $along, $tall, $reach, $fall);
        $findings = [...$this->judgeTrap($rulebook, $fixture, $pattern, $seal, $trapSize, $size), ...($fit === null ? [new Finding('trapfit.measure', Severity::Unknown, new Where, params: ['pattern' => $pattern])] : self::judgeFit($fit, $rulebook, $fixture, $size, $tailLength, $adjust, $seal, $cabinet))];
        $arm = $fit?->armMm === null || $elbow === null || $depth === null || $fit->isFloor() ? null : $fit->armMm - $elbow + $depth;
        $high = $fit?->highMm;

        return [
            'parts' => self::parts($pattern, $trapSize, $tailSize, $size, $high, $adjust, $fit),
            'cuts' => $arm === null ? [] : [['piece' => 'wall-tube', 'length_mm' => $arm, 'insertion_mm' => $depth]],
            'shorten_mm' => $high === null || $high >= -0.5 - $adjust ? 0.0 : -$high - $adjust,
            'extend_mm' => $high === null || $high <= 0.5 + $adjust ? 0.0 : $high - $adjust,
            'seal_mm' => $seal,
            'arm' => $fit === null ? null : ['length_mm' => $fit->armMm, 'fall_mm_per_m' => $fall, 'aside_mm' => $fit->asideMm],
            'fits' => $fit?->highMm !== null && array_filter($findings, static fn (Finding $finding): bool => $finding->severity === Severity::Stop) === [],
            'steps' => array_map(static fn (string $step): array => ['step' => $step, 'words' => Wording::step($step)], self::steps($fit, $high, $adjust)),
            'findings' => FindingReport::list($findings, $rulebook->units === 'mm' ? Units::Millimetre : Units::Inch),
            'sources' => SourceList::of([$system->pipe($size)->provenance, $rulebook->forSize('fall.least', $size, $system->key)?->provenance]),
        ];
    }

    /** @return list<Finding> */
    private function judgeTrap(Rulebook $rulebook, string $fixture, string $pattern, ?float $seal, string $trapSize, string $size): array
    {
        $findings = [];
        $kind = $rulebook->limit('trap.kind');
        if ($kind !== null && $rulebook->value("trap.kind.{$pattern}") < 1) {
            $findings[] = new Finding('trap.kind', Severity::Stop, new Where, params: ['kind' => $pattern, 'fixture' => str_replace('-', ' ', $fixture), 'book' => $rulebook->name], source: $rulebook->source("trap.kind.{$pattern}"));
        }
        $least = $rulebook->forFixture('trap.seal-least', $fixture);
        if ($seal !== null && $least?->value !== null && $seal < $least->value - 0.5) {
            $findings[] = new Finding('trap.seal', Severity::Stop, new Where, $seal, $least->value, ['seal_mm' => $seal, 'limit_mm' => $least->value, 'fixture' => str_replace('-', ' ', $fixture), 'off' => 'shallow'], $least->provenance);
        }
        if (Nominal::mm($trapSize) > Nominal::mm($size) + 0.5) {
            $findings[] = new Finding('trap.larger', Severity::Stop, new Where, Nominal::mm($trapSize), Nominal::mm($size), ['fixture' => str_replace('-', ' ', $fixture), 'trap' => $trapSize, 'drain' => $size]);
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeFit(TrapFit $fit, Rulebook $rulebook, string $fixture, string $size, float $tailLength, float $adjust, ?float $seal, ?float $cabinet): array
    {
        $findings = [];
        if ($fit->isFloor()) {
            $findings[] = new Finding('trapfit.floor', Severity::Stop, new Where, params: ['book' => $rulebook->name]);
        }
        if ($fit->armMm === null) {
            $findings[] = new Finding('trapfit.aside', Severity::Stop, new Where, $fit->asideMm, $fit->reachMm, ['aside_mm' => $fit->asideMm, 'reach_mm' => $fit->reachMm]);

            return $findings;
        }
        $most = $rulebook->forFixture('trap-arm.most', $fixture, $size);
        if ($most?->value !== null && $most->value > 0 && $fit->armMm > $most->value + 0.5) {
            $findings[] = new Finding('trapfit.armLong', Severity::Warn, new Where, $fit->armMm, $most->value, ['length_mm' => $fit->armMm, 'most_mm' => $most->value], $most->provenance);
        }
        $short = $fit->highMm === null ? 0.0 : -$fit->highMm - $adjust;
        if ($short > $tailLength) {
            $findings[] = new Finding('trapfit.outletHigh', Severity::Stop, new Where, $short, $tailLength, ['over_mm' => $short - $tailLength, 'short_mm' => $short]);
        }
        $drop = $rulebook->limit('tailpiece.drop-most');
        $tailDrop = $tailLength + max(0.0, $fit->highMm ?? 0.0) + $fit->tallMm;
        if ($drop?->value !== null && $tailDrop > $drop->value + 0.5) {
            $findings[] = new Finding('trapfit.drop', Severity::Stop, new Where, $tailDrop, $drop->value, ['drop_mm' => $tailDrop, 'most_mm' => $drop->value], $drop->provenance);
        }
        $low = $fit->outlet->z - ($seal ?? 0.0) - Nominal::mm($size);
        if ($cabinet !== null && $low < $cabinet) {
            $findings[] = new Finding('trapfit.cabinet', Severity::Stop, new Where, $low, $cabinet, ['below_mm' => $cabinet - $low]);
        }

        return $findings;
    }

    /** @return list<array{part: string, size: string, why: string}> */
    private static function parts(string $pattern, string $trapSize, string $tailSize, string $size, ?float $high, float $adjust, ?TrapFit $fit): array
    {
        $parts = [['part' => $pattern === 'bottle' ? 'bottle trap' : 'trap', 'size' => $trapSize, 'why' => 'as measured']];
        if ($high !== null && $high > 0.5 + $adjust) {
            $parts[] = ['part' => 'extension tube', 'size' => $tailSize, 'why' => 'the tailpiece ends too high'];
        }
        if (Nominal::mm($tailSize) < Nominal::mm($trapSize) - 0.5) {
            $parts[] = ['part' => 'reducing washer', 'size' => "{$trapSize} to {$tailSize}", 'why' => 'the tailpiece is smaller than the trap'];
        }
        if ($fit !== null && ! $fit->isFloor()) {
            $parts[] = ['part' => 'wall tube', 'size' => $trapSize, 'why' => 'from the trap into the outlet'];
        }
        if (Nominal::mm($trapSize) < Nominal::mm($size) - 0.5) {
            $parts[] = ['part' => 'trap adapter', 'size' => "{$size} to {$trapSize}", 'why' => 'the outlet is larger than the trap'];
        }

        return $parts;
    }

    /** @return list<string> */
    private static function steps(?TrapFit $fit, ?float $high, float $adjust): array
    {
        if ($fit?->armMm === null) {
            return [];
        }

        return ['trap.bucket', ...($high !== null && $high < -0.5 - $adjust ? ['trap.shorten'] : []), ...($high !== null && $high > 0.5 + $adjust ? ['trap.extend'] : []), ...($fit->isFloor() ? [] : ['trap.wall-tube']), 'trap.nuts', 'trap.hang', 'trap.swing', 'trap.tighten', 'trap.fill'];
    }
}
