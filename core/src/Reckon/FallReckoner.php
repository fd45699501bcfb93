<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Units;
use FallBend\Core\Rules\FallBackRule;
use FallBend\Core\Rules\FallLeastRule;
use FallBend\Core\Rules\FallMostRule;
use FallBend\Core\Rules\MeasuredFall;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/**
 * Length in plan, drop and fall: two give the third, drop = length · fall / 1000. With a rulebook and a size the fall
 * is judged.
 */
final readonly class FallReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'fall';
    }

    public function summary(): string
    {
        return 'length in plan, drop and fall: two give the third; judged against a rulebook if one is named';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        [$length, $drop, $fall] = $this->three($input);
        if ($input->has('use')) {
            $input->choice('use', ['drain', 'fixture-drain']);
        }
        $threshold = $this->threshold($input, $rulebook, $size, $most);
        Overrides::read($input, $this->catalogue);
        $input->end();
        $measured = new MeasuredFall($fall, $length, $size ?? '');
        $findings = $rulebook === null ? [] : $this->judge($measured, $threshold, $most, $rulebook);

        return [
            'length_mm' => $length,
            'drop_mm' => $drop,
            'fall_mm_per_m' => $fall,
            'fall_in_per_ft' => Fall::mmPerM($fall)->toInPerFt(),
            'percent' => $fall / 10,
            'angle_deg' => Fall::mmPerM($fall)->toDeg(),
            'verdict' => [
                'outcome' => $rulebook === null ? 'not judged' : ($findings === [] ? 'pass' : $findings[0]->severity->value),
                'least_mm_per_m' => $threshold?->value,
                'most_mm_per_m' => $most?->value,
            ],
            'findings' => FindingReport::list($findings, Units::Inch),
            'sources' => SourceList::list([$threshold?->provenance, $most?->provenance]),
        ];
    }

    /** @return array{float, float, float} length mm, drop mm, fall mm per m */
    private function three(Fields $input): array
    {
        $length = $input->numberOrNull('length_mm', 0.001, 10_000_000);
        $drop = $input->numberOrNull('drop_mm', -10_000_000, 10_000_000);
        $fall = $input->numberOrNull('fall_mm_per_m', -100_000, 100_000);
        if (count(array_filter([$length, $drop, $fall], is_float(...))) !== 2) {
            throw BadInput::at($input->at('length_mm'), 'give exactly two of length_mm, drop_mm and fall_mm_per_m');
        }
        if ($length === null && ((float) $fall === 0.0 || (float) $drop / (float) $fall <= 0)) {
            throw BadInput::at(
                $input->at('fall_mm_per_m'),
                'must not be nothing, and must lead the same way as the drop',
                $fall,
            );
        }
        $length ??= (1000 * (float) $drop) / (float) $fall;
        $drop ??= ($length * (float) $fall) / 1000;

        return [$length, $drop, $fall ?? (1000 * $drop) / $length];
    }

    /** @param-out ?string $rulebook name @param-out ?string $size @param-out ?Threshold $most */
    private function threshold(Fields $input, ?string &$rulebook, ?string &$size, ?Threshold &$most): ?Threshold
    {
        $given = array_filter(['system', 'size', 'rulebook'], $input->has(...));
        if ($given === []) {
            return null;
        }
        if (count($given) !== 3) {
            throw BadInput::at(
                $input->at(array_values(array_diff(['system', 'size', 'rulebook'], $given))[0]),
                'is missing: system, size and rulebook belong together',
            );
        }
        $system = $this->catalogue->system($input->choice('system', $this->catalogue->systemKeys()));
        $size = $input->choice('size', $system->pipes->ids());
        $book = $this->catalogue
            ->rulebook($input->choice('rulebook', $this->catalogue->rulebookKeys()))
            ->with(Overrides::read($input, $this->catalogue)->rulebook);
        $rulebook = $book->name;
        $most = $book->forSize('fall.most', $size, $system->key);

        return $book->forSize('fall.least', $size, $system->key);
    }

    /**
     * @param ?Threshold $least of the size
     * @param ?Threshold $most of the size
     * @return list<Finding>
     */
    private function judge(MeasuredFall $fall, ?Threshold $least, ?Threshold $most, string $book): array
    {
        $where = new Where;
        if ($fall->mmPerM < 0) {
            return [FallBackRule::verdict((-$fall->mmPerM * $fall->planMm) / 1000, $where)];
        }
        $finding = FallLeastRule::verdict($fall, $least, $where, $book) ?? FallMostRule::verdict($fall, $most, $where);

        return $finding === null ? [] : [$finding];
    }
}
