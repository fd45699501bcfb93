<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\Rulebook;

/** Tube in a nut with a bevelled washer, where it can always be got at; drain pipe takes it through a trap adapter. */
final readonly class SlipNuts implements WayOfJoining
{
    public function __construct(private JoiningParts $parts) {}

    /** Gives the methods of this family. */
    public function methods(): array
    {
        return [Method::SlipJoint];
    }

    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        $turned = self::isTube($b) && ! self::isTube($a);
        [$tube, $other] = $turned ? [$b, $a] : [$a, $b];
        if (
            ! self::isTube($tube) ||
            ($other->kind !== EndKind::SlipNut && $other->kind !== EndKind::Plain) ||
            $other->system->region !== 'us'
        ) {
            return Refusal::ends($method);
        }
        $result = $this->joined($tube, $other, $place, $rulebook);

        return $turned && $result instanceof Offer ? $result->turned() : $result;
    }

    private static function isTube(PipeEnd $end): bool
    {
        return $end->kind === EndKind::Plain && str_starts_with($end->system->key, 'tubular-');
    }

    private function joined(PipeEnd $tube, PipeEnd $other, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        $parts = $other->kind === EndKind::SlipNut ? $this->nut($tube, $other) : $this->adapter($tube, $other);
        if ($parts === []) {
            return new Refusal(
                Method::SlipJoint,
                'no-part',
                [
                    'a' => $tube->system->short,
                    'a_od_mm' => $tube->outsideMm,
                    'b' => $other->system->short,
                    'b_od_mm' => $other->outsideMm,
                ],
                isNear: $other->kind === EndKind::SlipNut,
            );
        }
        if ($place->isClosedIn()) {
            return new Refusal(Method::SlipJoint, 'closed-in', [], $rulebook->source('joint.slip.panel'));
        }
        if ($tube->isFixed && $other->isFixed) {
            return new Refusal(Method::SlipJoint, 'nothing-moves');
        }

        return new Offer(
            Method::SlipJoint,
            $parts,
            null,
            $other->kind === EndKind::SlipNut ? 0.0 : $other->pipe->statedDepthMm(),
            null,
            null,
            variant: $other->kind === EndKind::SlipNut ? 'nut' : 'adapter',
        );
    }

    /** @return list<Part> */
    private function nut(PipeEnd $tube, PipeEnd $nut): array
    {
        $main = $this->parts->part("slip-nut/{$nut->pipe->size}");
        if ($main?->takes?->takes($tube->stuff, $tube->outsideMm) === true) {
            return [$main];
        }
        $washer = $this->parts->part("slip-reducing-washer/{$nut->pipe->size}");

        return $main !== null && $washer?->takes?->takes($tube->stuff, $tube->outsideMm) === true
            ? [$main, $washer]
            : [];
    }

    /** @return list<Part> */
    private function adapter(PipeEnd $tube, PipeEnd $pipe): array
    {
        $adapter = $this->parts->part("trap-adapter/{$pipe->pipe->size}");

        return $adapter?->takes?->takes($pipe->stuff, $pipe->outsideMm) === true &&
            $adapter->other?->takes($tube->stuff, $tube->outsideMm) === true
            ? [$adapter]
            : [];
    }
}
