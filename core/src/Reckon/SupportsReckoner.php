<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Hanging\Framing;
use FallBend\Core\Hanging\Hanger;
use FallBend\Core\Hanging\Spacing;
use FallBend\Core\Hanging\SupportLeg;
use FallBend\Core\Hanging\Supports;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\FramingKind;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/** Where the legs of a run are hung. */
final readonly class SupportsReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'supports';
    }

    public function summary(): string
    {
        return 'hangers of the legs of a run: spacing of the rulebook, beside turns, heavy parts and joints, at joists where there are some, at the floors and guides of a stack';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $rulebook = $catalogue
            ->rulebook($input->choice('rulebook', $catalogue->rulebookKeys()))
            ->with($overrides->rulebook);
        $joists = $input->childOrNull('joists');
        $cross =
            $joists === null
                ? null
                : [$joists->number('spacing_mm', 50, 10_000), $joists->number('offset_mm', -10_000, 10_000)];
        $joists?->end();
        [$legs, $findings, $used] = [[], [], []];
        foreach ($input->children('legs', 1000) as $fields) {
            [$legs[], $spacing, $found] = self::leg($fields, count($legs) + 1, $catalogue, $rulebook, $cross);
            array_push($findings, ...$found);
            array_push($used, ...$spacing->provenances);
        }
        $input->end();
        $supports = new Supports($legs);
        $hangers = $supports->hangers();

        return [
            'hangers' => array_map(
                static fn (Hanger $hanger): array => [
                    'leg' => $hanger->leg,
                    'at_mm' => $hanger->atMm,
                    'kind' => $hanger->kind->value,
                    'why' => $hanger->why->value,
                ],
                $hangers,
            ),
            'longest_gap_mm' => $supports->longestGapMm($hangers),
            'findings' => FindingReport::list(
                [...$findings, ...Supports::onJoints($hangers)],
                $rulebook->units === 'mm' ? Units::Millimetre : Units::Inch,
            ),
            'sources' => SourceList::list($used),
        ];
    }

    /**
     * @param array{float, float}|null $cross from joist to joist, and where the first one stands
     * @return array{SupportLeg, Spacing, list<Finding>}
     *
     * @throws BadInput
     */
    private static function leg(
        Fields $fields,
        int $number,
        Catalogue $catalogue,
        Rulebook $rulebook,
        ?array $cross,
    ): array {
        $system = $catalogue->system($fields->choice('system', $catalogue->systemKeys()));
        $size = $fields->choice('size', $system->sizes());
        $isUpright = $fields->choice('way', ['level', 'up', 'down']) !== 'level';
        $length = $fields->number('length_mm', 1, 1_000_000);
        $celsius = $fields->numberOrNull('contents_c', -20, 100) ?? 23.0;
        $places = static fn (string $key): array => $fields->has($key) ? $fields->numbers($key, 0, $length, 500) : [];
        [$joints, $heavy, $isBent, $floors] = [
            $places('joints_at_mm'),
            $places('heavy_at_mm'),
            $fields->bool('bend_at_ends', true),
            $places('floors_at_mm'),
        ];
        $fields->end();
        $spacing = Spacing::of($catalogue, $rulebook, $system, $size, $celsius);

        return [
            SupportLeg::of(
                $spacing,
                $length,
                $isUpright,
                $joints,
                $heavy,
                $isBent,
                $cross === null ? null : Framing::every(FramingKind::Joist, $cross[0], $cross[1], $length),
                $floors,
            ),
            $spacing,
            $spacing->findings($number, $isUpright, $system, $size, $rulebook, $celsius),
        ];
    }
}
