<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\Rulebook;

/**
 * Tube in a nut with a bevelled washer, where it can always be got at; drain pipe takes it through a trap adapter, an
 * old threaded tee through one that is screwed in.
 */
final readonly class SlipNuts implements WayOfJoining
{
    /** What a tube is put on. */
    private const MET = [EndKind::SlipNut, EndKind::Plain, EndKind::SolventSocket, EndKind::FemaleThread];

    /** How the ids of adapters begin that stand in a socket as a pipe would. */
    private const STREET = 'trap-adapter/spigot/';

    /** How the ids of adapters begin that are screwed into a female thread. */
    private const SCREWED = 'slip-thread/';

    /** How the ids of couplings begin that take a tube on either side. */
    private const BOTH = 'slip-coupling/';

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
            ! in_array($other->kind, self::MET, true) ||
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
        $parts = match ($other->kind) {
            EndKind::SlipNut => $this->nut($tube, $other),
            EndKind::FemaleThread => $this->threaded($tube, $other),
            EndKind::SolventSocket => $this->street($tube, $other),
            default => self::isTube($other) ? $this->coupling($tube, $other) : $this->adapter($tube, $other),
        };
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
            $other->kind === EndKind::Plain ? $other->pipe->statedDepthMm() : 0.0,
            null,
            null,
            variant: self::variant($other),
        );
    }

    private static function variant(PipeEnd $other): string
    {
        return match (true) {
            $other->kind === EndKind::SlipNut, self::isTube($other) => 'nut',
            $other->kind === EndKind::FemaleThread => 'threaded',
            $other->system->material === 'copper' => 'soldered',
            default => 'adapter',
        };
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
        foreach ($this->parts->forMethod(Method::SlipJoint->value) as $part) {
            if (self::isOnPipe($part) && self::joins($part, $tube, $pipe)) {
                return [$part, ...$this->washer($tube, $pipe->pipe->size)];
            }
        }

        return [];
    }

    /** Whether an adapter stands on plain drain pipe. */
    private static function isOnPipe(Part $part): bool
    {
        foreach ([self::SCREWED, self::BOTH, self::STREET] as $begin) {
            if (str_starts_with($part->id, $begin)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<Part> what stands in a socket and takes a tube */
    private function street(PipeEnd $tube, PipeEnd $socket): array
    {
        $adapter = $this->parts->part(self::STREET.$socket->pipe->size);

        return $adapter !== null && self::joins($adapter, $tube, $socket)
            ? [$adapter, ...$this->washer($tube, $socket->pipe->size)]
            : [];
    }

    /** @return list<Part> what holds two tubes of one size */
    private function coupling(PipeEnd $one, PipeEnd $other): array
    {
        $coupling = $this->parts->part(self::BOTH.$one->pipe->size);

        return $coupling !== null && self::joins($coupling, $one, $other) ? [$coupling] : [];
    }

    /** @return list<Part> */
    private function threaded(PipeEnd $tube, PipeEnd $thread): array
    {
        $size = $thread->pipe->size;
        [$adapter, $cut] = [$this->parts->part(self::SCREWED.$size), $this->parts->part("thread/{$size}")];

        return $adapter !== null && $cut !== null && self::joins($adapter, $tube, $thread)
            ? [$adapter, $cut, ...$this->washer($tube, $size)]
            : [];
    }

    private static function joins(Part $part, PipeEnd $tube, PipeEnd $other): bool
    {
        return $part->takes?->takes($other->stuff, $other->outsideMm) === true &&
            $part->other?->takes($tube->stuff, $tube->outsideMm) === true;
    }

    /** @return list<Part> the washer that takes a tube into the nut of the next size */
    private function washer(PipeEnd $tube, string $size): array
    {
        $nut = $this->parts->part("slip-nut/{$size}");
        $washer = $this->parts->part("slip-reducing-washer/{$size}");

        return $nut?->takes?->takes($tube->stuff, $tube->outsideMm) === false && $washer !== null ? [$washer] : [];
    }
}
