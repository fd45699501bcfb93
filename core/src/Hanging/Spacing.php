<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** How far apart hangers may stand under a rulebook, for a pipe. Lengths in mm. */
final readonly class Spacing
{
    /** Materials whose spacing the tables give for cool contents. */
    private const SOFT = ['pvc', 'pvc-u', 'abs', 'abs-uk', 'pp', 'cpvc'];

    /**
     * @param ?float $guideMm farthest between two brackets of upright pipe without a guide
     * @param ?float $straightMm longest straight stretch without something that lets it grow
     * @param list<Provenance> $provenances
     */
    private function __construct(
        public ?float $levelMm,
        public ?float $uprightMm,
        public ?float $nearJointMm,
        public float $besideMm,
        public float $clearMm,
        public ?float $guideMm,
        public ?float $straightMm,
        public bool $isTooHot,
        public array $provenances,
    ) {}

    /** @param float $celsius of the contents */
    public static function of(
        Catalogue $catalogue,
        Rulebook $rulebook,
        PipeSystem $system,
        string $size,
        float $celsius,
    ): self {
        [$level, $upright, $near, $guide, $straight] = array_map(
            static fn (string $topic): ?Threshold => $rulebook->forSize($topic, $size, $system->key),
            ['support.level', 'support.upright', 'support.near-joint', 'support.guide', 'support.expansion'],
        );
        [$beside, $clear, $hot] = [
            $catalogue->assumption('hang-beside-turn'),
            $catalogue->assumption('hang-clear-joint'),
            $catalogue->assumption('hot-plastic'),
        ];
        $used = [
            $level?->provenance,
            $upright?->provenance,
            $near?->provenance,
            $guide?->provenance,
            $straight?->provenance,
            $beside->provenance,
            $clear->provenance,
        ];

        return new self(
            $level?->value,
            $upright?->value,
            $near?->value,
            min($beside->value, ($level->value ?? INF) / 2),
            $clear->value,
            $guide?->value,
            $straight?->value,
            in_array($system->material, self::SOFT, true) && $celsius >= $hot->value,
            array_values(array_filter($used)),
        );
    }

    /**
     * Gives what cannot be said of a leg.
     *
     * @param int $leg its number
     * @return list<Finding>
     */
    public function findings(
        int $leg,
        bool $isUpright,
        PipeSystem $system,
        string $size,
        Rulebook $rulebook,
        float $celsius,
    ): array {
        $findings = [];
        if (($isUpright ? $this->uprightMm : $this->levelMm) === null) {
            $findings[] = new Finding(
                RuleId::HangNotStated,
                Severity::Unknown,
                new Where(leg: $leg),
                params: [
                    'system' => $system->name,
                    'size' => $size,
                    'book' => $rulebook->name,
                    'way' => $isUpright ? 'upright' : 'level',
                ],
            );
        }
        if ($this->isTooHot) {
            $findings[] = new Finding(RuleId::HangHot, Severity::Unknown, new Where(leg: $leg), $celsius, null, [
                'contents_c' => round($celsius),
            ]);
        }

        return $findings;
    }
}
