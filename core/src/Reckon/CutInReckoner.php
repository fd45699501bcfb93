<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Joining\JointDecision;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\Offer;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;
use FallBend\Core\MakeUp\CutIn;
use FallBend\Core\MakeUp\CutSide;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;
use FallBend\Core\Verdict\Wording;

/** A branch fitting cut into a line that stands. */
final readonly class CutInReckoner implements Reckoner
{
    private const FAR_MM = 100_000.0;

    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'cut-in';
    }

    public function summary(): string
    {
        return 'cut marks, stubs, couplings and order for a branch fitting cut into a standing line, what has to hang first, and whether it closes';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $rulebook = $catalogue
            ->rulebook($input->choice('rulebook', $catalogue->rulebookKeys()))
            ->with($overrides->rulebook);
        $place = Place::read($input);
        $line = $input->child('pipe');
        $system = $catalogue->system($line->choice('system', $catalogue->systemKeys()));
        $size = $line->choice('size', $system->sizes());
        $length = $line->numberOrNull('length_mm', 1, self::FAR_MM);
        $line->end();
        [$other, $fitting] = $this->fitting($input->child('fitting'), $catalogue);
        $offers = (new JointDecision($catalogue))->between(
            PipeEnd::of($system, $size, EndKind::Plain, null, true),
            PipeEnd::of($other, $fitting->size, EndKind::Plain),
            $place,
            $rulebook,
        )->offers;
        $up = $this->side($input->child('upstream'), $offers);
        $down = $this->side($input->child('downstream'), $offers);
        $cut = new CutIn(
            $system->pipe($size),
            $fitting,
            $other->pipe($fitting->size),
            $length,
            $input->number('centre_at_mm', 0, self::FAR_MM),
            $up,
            $down,
            $input->numberOrNull('stub_mm', 1, 10_000),
        );
        $kerf = $input->number('kerf_mm', 0, 50);
        $input->end();
        $marks = $cut->marks();

        return [
            'cut_marks_mm' => $marks,
            'remove_mm' => $marks === null ? null : $marks[1] - $marks[0],
            'piece_out_mm' => $marks === null ? null : $marks[1] - $marks[0] - 2 * $kerf,
            'stubs_mm' => $cut->stubs(),
            'doubt_mm' => $cut->doubtMm(),
            'upstream' => self::sideReport($up),
            'downstream' => self::sideReport($down),
            'closes' => $cut->closes() && $cut->fits(),
            'released_kg' => $cut->released(),
            'order' => array_map(
                static fn (string $step): array => ['step' => $step, 'words' => Wording::step($step)],
                $cut->order(),
            ),
            'findings' => FindingReport::list(
                $this->findings($cut, $rulebook),
                $rulebook->units === 'mm' ? Units::Millimetre : Units::Inch,
            ),
            'sources' => SourceList::list([
                $cut->pipe->provenance,
                $fitting->provenance,
                $cut->stub->provenance,
                ...array_map(static fn ($part) => $part->provenance, [
                    ...$up->offer->parts ?? [],
                    ...$down->offer->parts ?? [],
                ]),
            ]),
        ];
    }

    /**
     * @return array{PipeSystem, Branch}
     *
     * @throws BadInput
     */
    private function fitting(Fields $fields, Catalogue $catalogue): array
    {
        $system = $catalogue->system($fields->choice('system', $catalogue->systemKeys()));
        $row = $fields->choice('row', $system->branches->ids());
        $fields->end();

        return [$system, $system->branches[$row]];
    }

    /**
     * @param list<Offer> $offers
     *
     * @throws BadInput
     */
    private function side(Fields $fields, array $offers): CutSide
    {
        $sleeves = array_values(array_filter($offers, static fn (Offer $offer): bool => $offer->isSleeve));
        $method = $fields->has('coupling') ? $fields->enum('coupling', Method::class)->value : null;
        $offer =
            array_values(
                array_filter(
                    $sleeves,
                    static fn (Offer $one): bool => $method === null || $one->method->value === $method,
                ),
            )[0] ?? null;
        $insertion = $fields->numberOrNull('insertion_mm', 1, 1000) ?? $offer?->insertAMm;
        $side = new CutSide(
            $offer,
            $insertion,
            $fields->number('slide_room_mm', 0, self::FAR_MM),
            $fields->bool('fixed', true),
        );
        $fields->end();

        return $side;
    }

    /** @return array<string, mixed> */
    private static function sideReport(CutSide $side): array
    {
        return [
            'coupling' => $side->offer?->method->value,
            'part' => ($side->offer->parts[0] ?? null)?->name,
            'insertion_mm' => $side->insertionMm,
            'gap_mm' => $side->gapMm(),
            'way' => $side->way(),
            'slide_needs_mm' => $side->insertionMm === null ? null : $side->needsMm(),
        ];
    }

    /** @return list<Finding> */
    private function findings(CutIn $cut, Rulebook $rulebook): array
    {
        $findings = [];
        foreach (['upstream' => $cut->up, 'downstream' => $cut->down] as $name => $side) {
            if ($side->offer === null) {
                $findings[] = new Finding(
                    RuleId::CutinNoCoupling,
                    Severity::Stop,
                    new Where,
                    params: ['side' => $name, 'book' => $rulebook->name],
                );
            } elseif ($side->insertionMm === null) {
                $findings[] = new Finding(
                    RuleId::CutinMeasureCoupling,
                    Severity::Unknown,
                    new Where,
                    params: ['side' => $name],
                );
            } elseif ($side->way() === null) {
                $findings[] = new Finding(
                    RuleId::CutinNoRoom,
                    Severity::Stop,
                    new Where,
                    $side->slideRoomMm,
                    $side->needsMm(),
                    ['side' => $name, 'room_mm' => $side->slideRoomMm, 'needs_mm' => $side->needsMm()],
                );
            }
        }
        if ($cut->doubtMm() > 0.0) {
            $findings[] = new Finding(
                RuleId::CutinMeasureFitting,
                Severity::Warn,
                new Where,
                $cut->doubtMm(),
                params: ['fitting' => $cut->fitting->name, 'doubt_mm' => $cut->doubtMm()],
                source: $cut->fitting->provenance,
            );
        }
        if (! $cut->fits()) {
            $marks = $cut->marks() ?? [0.0, 0.0];
            $findings[] = new Finding(
                RuleId::CutinOffPiece,
                Severity::Stop,
                new Where,
                params: ['first_mm' => max(0.0, $marks[0]), 'second_mm' => $marks[1]],
            );
        }
        if ($cut->pipe->kgPerM === null) {
            $findings[] = new Finding(
                RuleId::CutinNoWeight,
                Severity::Unknown,
                new Where,
                params: ['size' => $cut->pipe->size],
            );
        }

        return $findings;
    }
}
