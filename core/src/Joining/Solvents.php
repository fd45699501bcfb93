<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\StraightFitting;

/**
 * Solvent cement: a pipe in a socket of its own diameter, or two pipes in a coupling. It welds only what its solvent
 * dissolves: PVC, ABS, the one
 * joint between them that some books allow, and the UK waste plastics, which share a cement.
 */
final readonly class Solvents implements WayOfJoining
{
    /** The one method that welds a pair of materials, in the order of the alphabet. */
    private const WELDS = [
        'pvc+pvc' => Method::SolventPvc,
        'abs+abs' => Method::SolventAbs,
        'abs+pvc' => Method::SolventTransition,
        'abs-uk+abs-uk' => Method::SolventUkWaste,
        'abs-uk+pvc-u' => Method::SolventUkWaste,
        'pvc-u+pvc-u' => Method::SolventUkWaste,
    ];

    private const METHODS = [Method::SolventPvc, Method::SolventAbs, Method::SolventTransition, Method::SolventUkWaste];

    private const PLASTICS = ['pvc', 'abs', 'pvc-u', 'abs-uk', 'pp', 'plastic-tube'];

    public function __construct(private JoiningParts $parts) {}

    /** Gives the methods of this family. */
    public function methods(): array
    {
        return self::METHODS;
    }

    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        return $method === self::weld($a, $b)
            ? $this->welded($method, $a, $b, $place, $rulebook)
            : $this->notWelded($method, $a, $b);
    }

    /** Gives the one method whose cement welds two ends of pipe, wherever that is allowed; null where none does. */
    public static function weld(PipeEnd $a, PipeEnd $b): ?Method
    {
        [$one, $other] = [$a->system->material, $b->system->material];

        return self::WELDS[strcmp($one, $other) <= 0 ? "{$one}+{$other}" : "{$other}+{$one}"] ?? null;
    }

    private function welded(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        foreach ([$a, $b] as $end) {
            if (! $end->kind->isMale() && $end->kind !== EndKind::SolventSocket) {
                return Refusal::ends($method);
            }
        }
        if ($method === Method::SolventTransition) {
            $refusal = self::transitionRefused($method, $place, $rulebook);
            if ($refusal !== null) {
                return $refusal;
            }
        }
        $bridge = $this->bridge($a, $b);
        if ($bridge === null && ! $a->isAsWideAs($b)) {
            return self::otherDiameter($method, $a, $b);
        }
        $sockets = ($a->kind === EndKind::SolventSocket ? 1 : 0) + ($b->kind === EndKind::SolventSocket ? 1 : 0);
        if ($sockets > 0 && $a->isFixed && $b->isFixed) {
            return new Refusal($method, 'nothing-moves');
        }

        return match ($sockets) {
            0 => $this->coupled($method, $a, $b, $bridge),
            1 => $a->kind === EndKind::SolventSocket
                ? $this->inSocket($method, $b, $a, $bridge)->turned()
                : $this->inSocket($method, $a, $b, $bridge),
            default => new Offer(
                $method,
                $bridge === null ? [] : [$bridge],
                $b->pipe->statedDepthMm(),
                $a->pipe->statedDepthMm(),
                0.0,
                $a->pipe->statedDepthMm(),
                handicap: 1,
                variant: 'stub',
            ),
        };
    }

    private function inSocket(Method $method, PipeEnd $pipe, PipeEnd $socket, Part|StraightFitting|null $bridge): Offer
    {
        $depth = $bridge === null ? $socket->pipe->statedDepthMm() : $pipe->pipe->statedDepthMm();
        $gap = match (true) {
            $bridge === null => 0.0,
            // The stop of the bushing stands off the stop of the socket that it sits in.
            $bridge instanceof StraightFitting && $depth !== null && $socket->pipe->isSocketKnown => $bridge->acrossMm +
                $depth -
                $socket->pipe->socketDepthMm,
            default => null,
        };

        return new Offer(
            $method,
            $bridge === null ? [] : [$bridge],
            $depth,
            0.0,
            $gap,
            $depth,
            handicap: $bridge === null ? 0 : 2,
            variant: $bridge === null ? 'socket' : 'bushing',
        );
    }

    private function coupled(Method $method, PipeEnd $a, PipeEnd $b, Part|StraightFitting|null $bridge): Offer
    {
        $wide = $a->outsideMm >= $b->outsideMm ? $a : $b;
        $coupling = $wide->system->coupling($wide->pipe->size);
        $gap = $coupling === null || $bridge instanceof Part ? null : $coupling->acrossMm + ($bridge->acrossMm ?? 0.0);
        $slide =
            $a->pipe->statedDepthMm() === null || $coupling === null
                ? null
                : 2 * $a->pipe->statedDepthMm() + $coupling->acrossMm;
        $both = $a->isFixed && $b->isFixed;

        return new Offer(
            $method,
            array_values(array_filter([$coupling, $bridge])),
            $a->pipe->statedDepthMm(),
            $b->pipe->statedDepthMm(),
            $gap,
            $slide,
            isSleeve: true,
            handicap: ($bridge === null ? 1 : 3) + ($both ? 20 : 0),
            variant: $both ? 'slip-coupling' : ($bridge === null ? 'coupling' : 'coupling-bushing'),
        );
    }

    /**
     * What brings two diameters of one plastic together: a bushing of the system, or the adapter between drain and
     * sewer pipe.
     */
    private function bridge(PipeEnd $a, PipeEnd $b): Part|StraightFitting|null
    {
        if ($a->isAsWideAs($b)) {
            return null;
        }
        [$wide, $narrow] = $a->outsideMm > $b->outsideMm ? [$a, $b] : [$b, $a];
        $bushing =
            $wide->stuff === $narrow->stuff &&
            self::isThickWall($wide) &&
            self::isThickWall($narrow) &&
            ! $wide->isMeasured &&
            ! $narrow->isMeasured
                ? $wide->system->bushing($wide->pipe->size, $narrow->pipe->size)
                : null;
        if ($bushing !== null && $narrow->kind->isMale()) {
            return $bushing;
        }
        foreach ($this->parts->forMethod('solvent-pvc') as $part) {
            foreach ([[$a, $b], [$b, $a]] as [$inIt, $aroundIt]) {
                if (
                    $inIt->kind->isMale() &&
                    $part->takes?->takes($inIt->stuff, $inIt->outsideMm) === true &&
                    $part->other?->takes($aroundIt->stuff, $aroundIt->outsideMm) === true
                ) {
                    return $part;
                }
            }
        }

        return null;
    }

    private static function isThickWall(PipeEnd $end): bool
    {
        return str_ends_with($end->system->key, '-40');
    }

    private static function otherDiameter(Method $method, PipeEnd $a, PipeEnd $b): Refusal
    {
        [$wide, $narrow] = $a->outsideMm > $b->outsideMm ? [$a, $b] : [$b, $a];

        return new Refusal(
            $method,
            'diameter',
            [
                'wide' => $wide->system->short,
                'wide_od_mm' => $wide->outsideMm,
                'narrow' => $narrow->system->short,
                'narrow_od_mm' => $narrow->outsideMm,
            ],
            $narrow->pipe->provenance,
        );
    }

    private static function transitionRefused(Method $method, Place $place, Rulebook $rulebook): ?Refusal
    {
        $allowed = $rulebook->number('joint.transition-cement');
        $reason = match (true) {
            $allowed >= 2 || ($allowed >= 1 && $place->isAtDrainSewerLine) => null,
            $allowed >= 1 => 'transition-place',
            default => 'transition-never',
        };

        return $reason === null
            ? null
            : new Refusal($method, $reason, ['book' => $rulebook->name], $rulebook->source('joint.transition-cement'));
    }

    private function notWelded(Method $method, PipeEnd $a, PipeEnd $b): Refusal
    {
        $plasticA = in_array($a->system->material, self::PLASTICS, true);
        $plasticB = in_array($b->system->material, self::PLASTICS, true);
        if ($a->system->material === 'pp' || $b->system->material === 'pp') {
            $end = $a->system->material === 'pp' ? $a : $b;

            return new Refusal(
                $method,
                'does-not-dissolve',
                ['pipe' => $end->system->short],
                $end->pipe->provenance,
                isNear: $method === Method::SolventUkWaste,
            );
        }

        return $plasticA && $plasticB
            ? new Refusal(
                $method,
                'wrong-cement',
                ['a' => $a->system->short, 'b' => $b->system->short],
                isNear: $a->system->material !== $b->system->material && $method !== Method::SolventUkWaste,
            )
            : new Refusal($method, 'no-plastic', ['pipe' => ($plasticA ? $b : $a)->system->short], isNear: false);
    }
}
