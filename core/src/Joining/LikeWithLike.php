<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Rulebook;

/** Ways that join only like with like: grooved acid-waste pipe, flange on flange, soldered copper. */
final readonly class LikeWithLike implements WayOfJoining
{
    public function __construct(private JoiningParts $parts) {}

    /** Gives the methods of this family. */
    public function methods(): array
    {
        return [Method::GroovedMechanical, Method::FlangeSeal, Method::SolderedDrainage];
    }

    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        return match ($method) {
            Method::GroovedMechanical => $this->grooved($a, $b),
            Method::FlangeSeal => $this->flanges($a, $b),
            default => $this->soldered($a, $b),
        };
    }

    private function grooved(PipeEnd $a, PipeEnd $b): Offer|Refusal
    {
        $method = Method::GroovedMechanical;
        foreach ([$a, $b] as $end) {
            if (
                $end->system->key !== 'pp-acid-waste' ||
                ($end->kind !== EndKind::Grooved && $end->kind !== EndKind::Plain)
            ) {
                return Refusal::ends($method);
            }
        }
        $part = $this->parts->part("groove-nut/{$a->pipe->size}");

        return match (true) {
            $a->pipe->size !== $b->pipe->size || $part === null => new Refusal($method, 'size', [
                'a' => $a->pipe->size,
                'b' => $b->pipe->size,
            ]),
            $a->isFixed && $b->isFixed => new Refusal($method, 'nothing-moves'),
            default => new Offer(
                $method,
                [$part],
                null,
                null,
                null,
                null,
                variant: $a->kind === EndKind::Plain || $b->kind === EndKind::Plain ? 'cut' : '',
            ),
        };
    }

    private function flanges(PipeEnd $a, PipeEnd $b): Offer|Refusal
    {
        $method = Method::FlangeSeal;
        if ($a->kind !== EndKind::Flange || $b->kind !== EndKind::Flange) {
            return Refusal::ends($method);
        }
        if ($a->pipe->size !== $b->pipe->size) {
            return new Refusal($method, 'size', ['a' => $a->pipe->size, 'b' => $b->pipe->size]);
        }
        $rubber = $this->parts->part('flange-seal/rubber');
        $putty = $this->parts->part('flange-seal/putty');

        return new Offer(
            $method,
            $rubber === null ? [] : [$rubber],
            0.0,
            0.0,
            0.0,
            0.0,
            $putty === null ? [] : [$putty],
        );
    }

    private function soldered(PipeEnd $a, PipeEnd $b): Offer|Refusal
    {
        $method = Method::SolderedDrainage;
        foreach ([$a, $b] as $end) {
            if ($end->system->material !== 'copper') {
                return new Refusal($method, 'not-copper', ['pipe' => $end->system->short], isNear: false);
            }
        }
        if ($a->kind === EndKind::Hub && $b->kind === EndKind::Hub) {
            return new Refusal($method, 'two-alike', ['end' => 'hub']);
        }
        $coupling = $this->parts->part("copper-coupling/{$a->pipe->size}");

        return match (true) {
            $a->pipe->size !== $b->pipe->size => new Refusal($method, 'size', [
                'a' => $a->pipe->size,
                'b' => $b->pipe->size,
            ]),
            $a->isFixed && $b->isFixed => new Refusal($method, 'nothing-moves'),
            $a->kind === EndKind::Hub => new Offer(
                $method,
                [],
                0.0,
                $a->pipe->statedDepthMm(),
                0.0,
                $a->pipe->statedDepthMm(),
                variant: 'cup',
            ),
            $b->kind === EndKind::Hub => new Offer(
                $method,
                [],
                $b->pipe->statedDepthMm(),
                0.0,
                0.0,
                $b->pipe->statedDepthMm(),
                variant: 'cup',
            ),
            default => new Offer(
                $method,
                $coupling === null ? [] : [$coupling],
                $coupling?->lengthMm,
                $coupling?->lengthMm,
                null,
                null,
                isSleeve: true,
                variant: 'coupling',
            ),
        };
    }
}
