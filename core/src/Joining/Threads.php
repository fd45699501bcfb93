<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\Rulebook;

/**
 * Taper pipe threads. Plastic male in metal female holds; metal male in plastic female splits it. Plastic pipe gets an
 * adapter, never a thread of its own.
 */
final readonly class Threads implements WayOfJoining
{
    private const METALS = ['iron', 'steel', 'brass', 'copper'];

    public function __construct(private JoiningParts $parts) {}

    /** Gives the methods of this family. */
    public function methods(): array
    {
        return [Method::Threaded];
    }

    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        $threads = [EndKind::MaleThread, EndKind::FemaleThread];
        if (! in_array($a->kind, $threads, true) && ! in_array($b->kind, $threads, true)) {
            return Refusal::ends($method);
        }
        $turned = $a->kind === EndKind::FemaleThread || $b->kind === EndKind::MaleThread;
        [$male, $female] = $turned ? [$b, $a] : [$a, $b];
        if ($a->kind === $b->kind) {
            return new Refusal($method, 'two-alike', ['end' => $a->kind->value]);
        }
        $result =
            $female->kind === EndKind::FemaleThread
                ? $this->intoFemale($male, $female)
                : $this->ontoMale($female, $male);

        return $turned && $result instanceof Offer ? $result->turned() : $result;
    }

    private function intoFemale(PipeEnd $male, PipeEnd $female): Offer|Refusal
    {
        $thread = $this->parts->part("thread/{$female->pipe->size}");
        $metalMale = in_array($male->system->material, self::METALS, true);
        $metalFemale = in_array($female->system->material, self::METALS, true);
        $isPipe = $male->kind === EndKind::Plain;
        $isCopper = $male->system->material === 'copper';
        $adapter = $isPipe && (! $metalMale || $isCopper) ? $this->adapter($male) : null;

        return match (true) {
            $male->kind !== EndKind::MaleThread && ! $isPipe => Refusal::ends(Method::Threaded),
            $male->system->region !== $female->system->region => new Refusal(Method::Threaded, 'thread-standard', []),
            $isPipe && $metalMale && $adapter === null && $male->system->material !== 'steel' => new Refusal(
                Method::Threaded,
                'no-thread',
                ['pipe' => $male->system->short],
                isNear: false,
            ),
            $isPipe && ! $metalMale && $adapter === null => new Refusal(Method::Threaded, 'thin-wall-thread', [
                'pipe' => $male->system->short,
            ]),
            $thread === null => new Refusal(
                Method::Threaded,
                'no-row',
                ['a' => $male->system->short, 'b' => $female->system->short],
                isUnknown: true,
            ),
            $male->pipe->size !== $female->pipe->size => new Refusal(Method::Threaded, 'size', [
                'a' => $male->pipe->size,
                'b' => $female->pipe->size,
            ]),
            $metalMale && ! $metalFemale => new Refusal(
                Method::Threaded,
                'plastic-female',
                ['male' => $male->system->short, 'female' => $female->system->short],
                $thread->provenance,
            ),
            $male->isFixed && $female->isFixed => new Refusal(Method::Threaded, 'nothing-turns', []),
            $adapter !== null => new Offer(
                Method::Threaded,
                [$adapter, $thread],
                $male->pipe->statedDepthMm(),
                0.0,
                self::standsOff($adapter, $male),
                $thread->lengthMm,
                handicap: 2,
                variant: $isCopper ? 'soldered' : 'adapter',
            ),
            $isPipe => new Offer(
                Method::Threaded,
                [$thread],
                $thread->lengthMm,
                0.0,
                0.0,
                $thread->lengthMm,
                handicap: 2,
                variant: 'cut',
            ),
            default => new Offer(Method::Threaded, [$thread], $thread->lengthMm, 0.0, 0.0, $thread->lengthMm),
        };
    }

    /**
     * A pipe or fitting without a thread onto a male thread: that would take a female adapter, which a metal thread
     * splits.
     */
    private function ontoMale(PipeEnd $pipe, PipeEnd $male): Refusal
    {
        $metal = in_array($male->system->material, self::METALS, true);
        $plastic = ! in_array($pipe->system->material, [...self::METALS, 'clay'], true);

        return $pipe->kind === EndKind::Plain && $plastic && $metal
            ? new Refusal(
                Method::Threaded,
                'plastic-female',
                ['male' => $male->system->short, 'female' => $pipe->system->short],
                $this->parts->part('thread/2')?->provenance,
            )
            : Refusal::ends(Method::Threaded);
    }

    private function adapter(PipeEnd $pipe): ?Part
    {
        $of = $pipe->system->material === 'copper' ? 'copper/' : '';
        $adapter = $this->parts->part("male-adapter/{$of}{$pipe->pipe->size}");

        return $adapter?->takes?->takes($pipe->stuff, $pipe->outsideMm) === true ? $adapter : null;
    }

    private static function standsOff(Part $adapter, PipeEnd $pipe): ?float
    {
        $depth = $pipe->pipe->statedDepthMm();

        return $adapter->lengthMm === null || $depth === null ? null : $adapter->lengthMm + $depth;
    }
}
