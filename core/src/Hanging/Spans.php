<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Material;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Joining\Method;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;

/** What hangs between the hangers of a run, of level pipe: each stretch as a beam, full of water, after years. */
final readonly class Spans
{
    /** @param float $celsius of the contents */
    public function __construct(
        private RunLayout $layout,
        private Rulebook $rulebook,
        private ?Material $material,
        private float $celsius,
    ) {}

    /**
     * Gives them from the last hanger before each to the first after it.
     *
     * @param list<Hanger> $hangers in the order of flow
     * @return list<Span>
     */
    public function between(array $hangers): array
    {
        $spans = [];
        foreach (array_slice($hangers, 1) as $n => $hanger) {
            $before = $hangers[$n];
            if (! $this->isUprightAmong($before->leg, $hanger->leg)) {
                $spans[] = $this->span(
                    $this->layout->legs[$before->leg],
                    $before->tapeMm($this->layout),
                    $hanger->tapeMm($this->layout),
                    $n === 0 || $n === count($hangers) - 2,
                );
            }
        }

        return $spans;
    }

    /** Whether one of the legs from one to another, both of them too, is upright. */
    public function isUprightAmong(int $from, int $to): bool
    {
        for ($n = $from; $n <= $to; $n++) {
            if ($this->layout->legs[$n]->isUpright()) {
                return true;
            }
        }

        return false;
    }

    private function span(LegLaid $leg, float $from, float $to, bool $isLast): Span
    {
        $filled =
            $this->material === null
                ? null
                : new FilledPipe($this->layout->system->pipe($leg->line->size), $this->material, 1.0);
        [$load, $stiffness] = [$filled?->loadNPerMm(), $filled?->stiffness($this->celsius, true)];
        $ends = $this->isHinged($from, $to) ? 'simple' : ($isLast ? 'end' : 'continuous');
        $beam =
            $load === null || $stiffness === null || $to - $from < 1.0
                ? null
                : new Beam($to - $from, $load, $stiffness, $ends);

        return new Span(
            $leg,
            $from,
            $to,
            $ends,
            max(0.0, $leg->fallMmPerM() ?? 0.0),
            $this->rulebook->forSize('support.level', $leg->line->size, $this->layout->system->key),
            $beam,
        );
    }

    /** Whether a joint between lets it turn a little: it is held as if it ended there. */
    private function isHinged(float $from, float $to): bool
    {
        if (Method::tryFrom($this->layout->system->ownJoint ?? '')?->isElastic() !== true) {
            return false;
        }
        foreach ($this->layout->joints as $joint) {
            if ($joint->tapeMm > $from && $joint->tapeMm < $to) {
                return true;
            }
        }

        return false;
    }
}
