<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Assumption;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\SourceList;

/**
 * Which joint of a run between two ends that stand should be made last. Every piece is read and cut with some error;
 * along the axis of the joint that is made last they add up, each
 * with the cosine between its own axis and that one, and so does the reading of the gap itself. What a tape is off by
 * the same way at every reading cancels: gap and pieces are
 * measured with one tape. What each way of joining takes up is a row of the assumptions, or the gap of its own system.
 *
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type WrittenClosing array{
 *     reading_mm: float,
 *     cutting_mm: float,
 *     sources: list<Source>,
 *     joints: list<array{
 *         joint: string,
 *         chance: float,
 *         within_mm: float,
 *         short_mm: float,
 *         long_mm: float,
 *         way: 'glued'|'ring'|'roll'|'slide'|'union',
 *     }>,
 * }
 */
final readonly class RunClosing
{
    private const SHARE = 0.95;

    /** Least share of a length that counts: beyond it the pieces stand square to the joint. */
    private const SQUARE = 1e-6;

    public function __construct(private RunLayout $layout, private Catalogue $catalogue) {}

    /**
     * Gives every joint with the chance that it closes if it is made last, the likeliest first; `within_mm` is how far
     * off it lies in 19 of 20 cases; or null where the run has not two
     * ends that stand.
     *
     * @return WrittenClosing|null
     */
    public function toArray(): ?array
    {
        $stands = RunOrder::stands($this->layout->run->outlet) && RunOrder::stands($this->layout->run->tieIn);
        if (! $stands || $this->layout->pieces === [] || $this->layout->joints === []) {
            return null;
        }
        [$reading, $cutting] = [
            $this->catalogue->assumption('reading-error'),
            $this->catalogue->assumption('cutting-error'),
        ];
        [$joints, $used] = [[], [$reading, $cutting]];
        foreach ($this->layout->joints as $joint) {
            [$short, $long, $way, $row] = $this->takesUp($joint);
            $gap = ClosingGap::of(
                $this->errors(RunOrder::along($this->layout, $joint), $reading->value, $cutting->value),
                [],
                0.0,
                0,
            );
            $joints[] = [
                'joint' => $joint->mark,
                'chance' => $gap->chance(-$short, $long),
                'within_mm' => $gap->within(self::SHARE),
                'short_mm' => $short,
                'long_mm' => $long,
                'way' => $way,
            ];
            $used[] = $row;
        }
        usort(
            $joints,
            static fn (array $a, array $b): int => [$b['chance'], $a['joint']] <=> [$a['chance'], $b['joint']],
        );

        return [
            'reading_mm' => $reading->value,
            'cutting_mm' => $cutting->value,
            'joints' => $joints,
            'sources' => SourceList::list(
                array_map(static fn (?Assumption $one): ?Provenance => $one?->provenance, $used),
            ),
        ];
    }

    /** @return list<float> half widths of the errors along an axis, mm */
    private function errors(Vec3 $axis, float $readingMm, float $cuttingMm): array
    {
        $errors = [$readingMm];
        foreach ($this->layout->pieces as $piece) {
            $share = abs($piece->direction->dot($axis));
            if ($share > self::SQUARE) {
                // What a reckoned fitting may be off comes in with the piece that ends in it.
                array_push($errors, $readingMm * $share, $cuttingMm * $share, $piece->doubtMm() * $share);
            }
        }

        return $errors;
    }

    /**
     * @return array{float, float, 'glued'|'ring'|'roll'|'slide'|'union', ?Assumption} how much too short and too long
     *     the rest may be, how it is taken
     *     up, and the row that says so
     */
    private function takesUp(Joint $joint): array
    {
        $kind = RunOrder::kind($this->layout, $joint);
        $gap = $this->layout->system->pipe($joint->size)->gapMm;
        if ($kind === 'push' && $gap > 0.0) {
            return [$gap, $gap, 'ring', null];
        }
        if ($kind === 'push' && $this->layout->system->hasHubs()) {
            $row = $this->catalogue->assumption('closes-gasket');

            return [$row->value, 0.0, 'ring', $row];
        }
        $way = $kind === 'push' ? 'glued' : $kind;
        $row = $this->catalogue->assumption("closes-{$way}");

        return [$row->value, $way === 'slide' ? $row->value : 0.0, $way, $row];
    }
}
