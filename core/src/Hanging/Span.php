<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * What hangs between two hangers. Lengths in mm along the tape of the run.
 *
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type SpanReport array{
 *     from_tape_mm: float,
 *     to_tape_mm: float,
 *     length: Reading,
 *     most: Reading|null,
 *     over: bool,
 *     ends: value-of<Beam::ENDS>,
 *     sag: Reading|null,
 *     pond: Reading|null,
 *     longest: Reading|null,
 *     fall_mm_per_m: float,
 *     outside_mm: float,
 *     pond_from_mm: ?float,
 *     pond_to_mm: ?float,
 *     shape_mm: list<float>,
 * }
 */
final readonly class Span
{
    /** What is longer than the rulebook lets it be by less than this nobody can measure. */
    private const SLACK_MM = 0.5;

    /** @var array{deepest_mm: float, over_mm: float, from_mm: float, depth_mm: float}|null what stays in it */
    private ?array $pocket;

    /**
     * @param LegLaid $leg that it begins on
     * @param value-of<Beam::ENDS> $ends how it is held
     * @param ?Threshold $most how far the rulebook lets it hang free
     * @param ?Beam $beam null where its weight or its modulus is not known
     */
    public function __construct(
        private LegLaid $leg,
        public float $fromMm,
        public float $toMm,
        private string $ends,
        private float $fallMmPerM,
        private ?Threshold $most,
        private ?Beam $beam,
    ) {
        $this->pocket = $beam?->pocket($fallMmPerM);
    }

    /** @return SpanReport */
    public function toArray(Tape $tape, float $outsideMm): array
    {
        $length = $this->toMm - $this->fromMm;

        return [
            'from_tape_mm' => $this->fromMm,
            'to_tape_mm' => $this->toMm,
            'length' => $tape->reading($length),
            'most' => $tape->readingOrNull($this->most?->value),
            'over' => $this->isOver(),
            'ends' => $this->ends,
            'sag' => $tape->readingOrNull($this->beam?->deflectionMm()),
            'pond' => $tape->readingOrNull($this->pocket['depth_mm'] ?? null),
            'longest' => $tape->readingOrNull($this->beam?->longestSpanMm($this->fallMmPerM)),
            'fall_mm_per_m' => $this->fallMmPerM,
            'outside_mm' => $outsideMm,
            'pond_from_mm' => $this->pocket['from_mm'] ?? null,
            'pond_to_mm' => $this->pocket['over_mm'] ?? null,
            'shape_mm' => $this->beam?->shapeMm() ?? [],
        ];
    }

    /**
     * @param string $book name of the rulebook
     * @return list<Finding>
     */
    public function findings(string $book): array
    {
        $where = new Where(leg: $this->leg->line->number, tapeMm: $this->fromMm);
        $gap = $this->toMm - $this->fromMm;

        return [
            ...$this->isOver()
                ? [
                    new Finding(
                        RuleId::HangGap,
                        Severity::Warn,
                        $where,
                        $gap,
                        $this->most?->value,
                        [
                            'gap_mm' => $gap,
                            'most_mm' => $this->most->value ?? 0.0,
                            'size' => $this->leg->line->size,
                            'book' => $book,
                        ],
                        $this->most?->provenance,
                    ),
                ]
                : [],
            ...SagFindings::ponds($this->pocket, $where),
        ];
    }

    private function isOver(): bool
    {
        return $this->most?->value !== null && $this->toMm - $this->fromMm > $this->most->value + self::SLACK_MM;
    }
}
