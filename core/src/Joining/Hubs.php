<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\Rulebook;

/**
 * Into the hub of cast iron: with an adapter, with a compression gasket of the hub's class, or packed with oakum and
 * lead.
 */
final readonly class Hubs implements WayOfJoining
{
    public function __construct(private JoiningParts $parts) {}

    /** Gives the methods of this family. */
    public function methods(): array
    {
        return [Method::HubGasket, Method::HubAdapter, Method::Caulked];
    }

    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        $turned = self::isIronHub($a);
        [$pipe, $hub] = $turned ? [$b, $a] : [$a, $b];
        if (! self::isIronHub($hub) || ! $pipe->kind->isMale()) {
            return Refusal::ends($method);
        }
        $result = match ($method) {
            Method::HubGasket => $this->gasket($pipe, $hub),
            Method::HubAdapter => $this->adapter($pipe, $hub),
            default => $this->caulked($pipe, $hub, $place, $rulebook),
        };

        return $turned && $result instanceof Offer ? $result->turned() : $result;
    }

    private static function isIronHub(PipeEnd $end): bool
    {
        return $end->kind === EndKind::Hub && $end->system->material === 'iron';
    }

    private function gasket(PipeEnd $pipe, PipeEnd $hub): Offer|Refusal
    {
        $ofHub = null;
        foreach ($this->parts->forMethod('hub-gasket') as $gasket) {
            if ($gasket->hub !== "{$hub->system->key}/{$hub->pipe->size}") {
                continue;
            }
            $ofHub = $gasket;
            if ($gasket->takes?->takes($pipe->stuff, $pipe->outsideMm) === true) {
                return $pipe->isFixed && $hub->isFixed
                    ? new Refusal(Method::HubGasket, 'nothing-moves')
                    : new Offer(Method::HubGasket, [$gasket], $gasket->lengthMm, 0.0, 0.0, $gasket->lengthMm);
            }
        }

        return $ofHub?->takes === null
            ? new Refusal(Method::HubGasket, 'no-part', [
                'a' => $pipe->system->short,
                'a_od_mm' => $pipe->outsideMm,
                'b' => $hub->system->short,
                'b_od_mm' => $hub->outsideMm,
            ])
            : new Refusal(
                Method::HubGasket,
                'gasket-class',
                [
                    'pipe' => $pipe->system->short,
                    'od_mm' => $pipe->outsideMm,
                    'hub' => $hub->system->short,
                    'low_od_mm' => $ofHub->takes->lowMm,
                    'high_od_mm' => $ofHub->takes->highMm,
                ],
                $ofHub->provenance,
            );
    }

    private function adapter(PipeEnd $pipe, PipeEnd $hub): Offer|Refusal
    {
        $adapter = $this->adapterOf($pipe, $hub);
        if ($adapter === null) {
            return new Refusal(
                Method::HubAdapter,
                'no-part',
                [
                    'a' => $pipe->system->short,
                    'a_od_mm' => $pipe->outsideMm,
                    'b' => $hub->system->short,
                    'b_od_mm' => $hub->outsideMm,
                ],
                isNear: false,
            );
        }

        return $pipe->isFixed && $hub->isFixed
            ? new Refusal(Method::HubAdapter, 'nothing-moves')
            : new Offer(
                Method::HubAdapter,
                $this->gasketOf($hub) === null ? [$adapter] : [$adapter, $this->gasketOf($hub)],
                $pipe->pipe->statedDepthMm(),
                0.0,
                self::standsOff($adapter, $pipe),
                $hub->pipe->statedDepthMm(),
            );
    }

    private function caulked(PipeEnd $pipe, PipeEnd $hub, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        $caulk = $this->caulk($hub->pipe->size);
        if ($caulk === null) {
            return new Refusal(
                Method::Caulked,
                'no-part',
                [
                    'a' => $pipe->system->short,
                    'a_od_mm' => $pipe->outsideMm,
                    'b' => $hub->system->short,
                    'b_od_mm' => $hub->outsideMm,
                ],
                isNear: false,
            );
        }
        $refusal = match (true) {
            ! $rulebook->allows('joint.caulked') => new Refusal(
                Method::Caulked,
                'book',
                ['book' => $rulebook->name],
                $rulebook->source('joint.caulked'),
            ),
            $place->access === 'concealed' && $place->ground === 'above' => new Refusal(Method::Caulked, 'no-room', []),
            default => null,
        };
        if ($refusal !== null) {
            return $refusal;
        }
        if ($pipe->system->material === 'iron') {
            return $pipe->pipe->size === $hub->pipe->size && $pipe->system->region === 'us'
                ? new Offer(
                    Method::Caulked,
                    [$caulk],
                    $hub->pipe->statedDepthMm(),
                    0.0,
                    0.0,
                    $hub->pipe->statedDepthMm(),
                )
                : new Refusal(
                    Method::Caulked,
                    'size',
                    ['a' => $pipe->pipe->size, 'b' => $hub->pipe->size],
                    isNear: false,
                );
        }
        $adapter = $this->adapterOf($pipe, $hub);

        return $adapter === null
            ? new Refusal(
                Method::Caulked,
                'molten-lead',
                ['pipe' => $pipe->system->short],
                $caulk->provenance,
                in_array($pipe->system->material, ['pvc', 'abs'], true),
            )
            : new Offer(
                Method::Caulked,
                [$adapter, $caulk],
                $pipe->pipe->statedDepthMm(),
                0.0,
                self::standsOff($adapter, $pipe),
                $hub->pipe->statedDepthMm(),
                handicap: 4,
                variant: 'cold',
            );
    }

    /**
     * From the stop in the adapter to the lip of the hub, with the depth of its own socket, so that insertion less gap
     * is what the pipe reaches.
     */
    private static function standsOff(Part $adapter, PipeEnd $pipe): ?float
    {
        $depth = $pipe->pipe->statedDepthMm();

        return $adapter->lengthMm === null || $depth === null ? null : $adapter->lengthMm + $depth;
    }

    private function adapterOf(PipeEnd $pipe, PipeEnd $hub): ?Part
    {
        foreach ($this->parts->forMethod('hub-adapter') as $adapter) {
            if (
                $pipe->kind === EndKind::Plain &&
                $adapter->hub === "{$hub->system->key}/{$hub->pipe->size}" &&
                $adapter->takes?->takes($pipe->stuff, $pipe->outsideMm) === true
            ) {
                return $adapter;
            }
        }

        return null;
    }

    private function gasketOf(PipeEnd $hub): ?Part
    {
        foreach ($this->parts->forMethod('hub-gasket') as $gasket) {
            if ($gasket->hub === "{$hub->system->key}/{$hub->pipe->size}") {
                return $gasket;
            }
        }

        return null;
    }

    /** What is packed into a hub of a size. */
    private function caulk(string $size): ?Part
    {
        foreach (array_reverse($this->parts->forMethod('caulked')) as $part) {
            if ($part->size === $size) {
                return $part;
            }
        }

        return null;
    }
}
