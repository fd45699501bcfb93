<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Coupling;
use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Rulebook;

/**
 * Sleeves that hold two plain ends from outside: bands for no-hub iron, shielded couplings between different pipes,
 * bare rubber sleeves, and
 * universal compression couplings. One is offered only if each outside diameter lies in the range of its side, and the
 * pipe is of a stuff that side is made for.
 */
final class Sleeves implements WayOfJoining
{
    /** Added to the rank of a sleeve that takes both ends by their diameters, and names other pipes. */
    private const UNNAMED = 12;

    private const METHODS = [
        Method::NoHubShielded,
        Method::ShieldedTransition,
        Method::FlexibleUnshielded,
        Method::UniversalCompression,
    ];

    /**
     * @var array<string, array<string, list<array{int, int}>>> by method, then by girth of the end: which sides of
     *     which couplings take it
     */
    private array $taken = [];

    public function __construct(private readonly JoiningParts $parts) {}

    /** Gives the methods of this family. */
    public function methods(): array
    {
        return self::METHODS;
    }

    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        $stub = $method === Method::NoHubShielded ? null : self::stubs($a, $b);
        if ($stub !== null) {
            [$pipe, $standing, $variant] = $stub;
            $offer = $this->consider($method, $pipe, $standing, $place, $rulebook);
            if ($offer instanceof Offer) {
                return $pipe === $a ? $offer->onStub($variant) : $offer->onStub($variant)->turned();
            }
        }
        $isCompression = $method === Method::UniversalCompression;
        foreach ([$a, $b] as $end) {
            if (
                ! $end->kind->isMale() &&
                ! ($isCompression && $end->kind === EndKind::SlipNut && $end->system->region === 'uk')
            ) {
                return Refusal::ends($method);
            }
        }
        $fitting = $this->fitting($method, $a, $b);
        if ($fitting === []) {
            return $this->outOfRange($method, $a, $b);
        }
        $misplaced = self::misplaced($method, $a, $b, $place, $rulebook);

        return $misplaced ?? self::offer($method, $fitting, $a, $b);
    }

    /**
     * A pipe on a socket that it does not go into: a stub of the socket's own pipe is cemented, soldered or pushed into
     * it, and a sleeve joins the pipe to that. The fitting stays where it is.
     *
     * @return array{PipeEnd, PipeEnd, string}|null the pipe, the end of the stub, how the stub goes in; null: no stub
     */
    private static function stubs(PipeEnd $a, PipeEnd $b): ?array
    {
        foreach ([[$a, $b], [$b, $a]] as [$pipe, $socket]) {
            $variant = self::stubOf($socket);
            if (
                $variant !== null &&
                $pipe->kind->isMale() &&
                ! str_starts_with($pipe->system->key, 'tubular-') &&
                ! self::goesIn($pipe, $socket)
            ) {
                return [$pipe, PipeEnd::of($socket->system, $socket->pipe->size, EndKind::Plain), $variant];
            }
        }

        return null;
    }

    /** Whether a pipe goes into a socket by itself. */
    private static function goesIn(PipeEnd $pipe, PipeEnd $socket): bool
    {
        $weld = $socket->kind === EndKind::SolventSocket ? Solvents::weld($pipe, $socket) : null;

        return $pipe->system->material === $socket->system->material ||
            ($weld !== null && $weld !== Method::SolventTransition);
    }

    /** How a stub goes into a socket: `stub` is cemented; null where none goes in. */
    private static function stubOf(PipeEnd $socket): ?string
    {
        return match (true) {
            $socket->kind === EndKind::SolventSocket => Offer::STUB,
            $socket->kind === EndKind::RingSocket => 'stub-pushed',
            $socket->kind === EndKind::Hub && $socket->system->material === 'copper' => 'stub-soldered',
            default => null,
        };
    }

    /** @return list<Coupling> those whose two sides take the two ends */
    private function fitting(Method $method, PipeEnd $a, PipeEnd $b): array
    {
        $ofA = $this->sides($method, $a);
        $ofB = $ofA === [] ? [] : $this->sides($method, $b);
        if ($ofB === []) {
            return [];
        }
        $couplings = $this->parts->couplingsOf($method->value);
        $found = [];
        foreach ($ofA as [$index, $side]) {
            foreach ($ofB as [$other, $otherSide]) {
                if ($index === $other && $side !== $otherSide) {
                    $coupling = $couplings[$index];
                    if ($method !== Method::FlexibleUnshielded || self::bridged($coupling, $a, $b)) {
                        $found[$index] = $coupling;
                    }
                }
            }
        }

        return array_values($found);
    }

    /** A bare rubber sleeve takes equal pipes, or brings the smaller one up with a bushing, or is moulded in steps. */
    private static function bridged(Coupling $coupling, PipeEnd $a, PipeEnd $b): bool
    {
        return $a->isAsWideAs($b) ||
            $coupling->takesBushing ||
            $coupling->sides[0]->pipes !== $coupling->sides[1]->pipes;
    }

    /** @return list<array{int, int}> */
    private function sides(Method $method, PipeEnd $end): array
    {
        $key = $method->value;
        if (! isset($this->taken[$key][$end->girth])) {
            $taken = [];
            foreach ($this->parts->couplingsOf($key) as $index => $coupling) {
                foreach ($coupling->sides as $side => $range) {
                    if ($range->takes($end->stuff, $end->outsideMm)) {
                        $taken[] = [$index, $side];
                    }
                }
            }
            $this->taken[$key][$end->girth] = $taken;
        }

        return $this->taken[$key][$end->girth];
    }

    private static function misplaced(
        Method $method,
        PipeEnd $a,
        PipeEnd $b,
        Place $place,
        Rulebook $rulebook,
    ): ?Refusal {
        if (
            $method === Method::FlexibleUnshielded &&
            $place->ground === 'above' &&
            ! $rulebook->allows('joint.flexible.above')
        ) {
            return new Refusal(
                $method,
                'above-ground',
                ['book' => $rulebook->name],
                $rulebook->source('joint.flexible.above'),
            );
        }
        if ($method === Method::UniversalCompression) {
            if ($place->isClosedIn()) {
                return new Refusal($method, 'closed-in', [], null);
            }
            if ($a->isFixed && $b->isFixed) {
                return new Refusal($method, 'nothing-moves');
            }
        }

        return null;
    }

    /** @param non-empty-list<Coupling> $fitting */
    private static function offer(Method $method, array $fitting, PipeEnd $a, PipeEnd $b): Offer
    {
        usort(
            $fitting,
            static fn (Coupling $x, Coupling $y): int => [
                self::names($y, $a, $b),
                self::named($x),
                $x->priceClass,
                self::slack($x, $a, $b),
            ] <=> [
                self::names($x, $a, $b),
                self::named($y),
                $y->priceClass,
                self::slack($y, $a, $b),
            ],
        );
        $first = array_shift($fitting);
        $bushing = $method === Method::FlexibleUnshielded && $first->takesBushing && ! $a->isAsWideAs($b);
        // Into the nut of a trap one end only is drawn back from its stop.
        $nut = $a->kind === EndKind::SlipNut || $b->kind === EndKind::SlipNut;

        return new Offer(
            $method,
            [$first],
            $a->kind === EndKind::SlipNut ? 0.0 : $first->insertionMm(),
            $b->kind === EndKind::SlipNut ? 0.0 : $first->insertionMm(),
            $nut ? $first->backOffMm : $first->gapMm(),
            $first->lengthMm,
            $fitting,
            isSleeve: ! $nut,
            handicap: ($bushing ? 2 : 0) + (self::names($first, $a, $b) ? 0 : self::UNNAMED),
            variant: $nut ? 'nut' : ($bushing ? 'bushing' : ''),
        );
    }

    /** Whether what is printed on a coupling names the two pipes, and its rubber does not only happen to reach. */
    private static function names(Coupling $coupling, PipeEnd $a, PipeEnd $b): bool
    {
        [$one, $other] = ["{$a->system->key}/{$a->pipe->size}", "{$b->system->key}/{$b->pipe->size}"];
        [$first, $second] = [$coupling->sides[0]->pipes, $coupling->sides[1]->pipes];

        return (in_array($one, $first, true) && in_array($other, $second, true)) ||
            (in_array($one, $second, true) && in_array($other, $first, true));
    }

    /** How many pipes a coupling names: one that names fewer is made for these. */
    private static function named(Coupling $coupling): int
    {
        return count($coupling->sides[0]->pipes) + count($coupling->sides[1]->pipes);
    }

    /** How loosely a coupling is made for the two ends: the sum of the widths of its ranges. */
    private static function slack(Coupling $coupling, PipeEnd $a, PipeEnd $b): float
    {
        return abs($coupling->sides[0]->highMm + $coupling->sides[1]->highMm - $a->outsideMm - $b->outsideMm);
    }

    private function outOfRange(Method $method, PipeEnd $a, PipeEnd $b): Refusal
    {
        foreach ([[$a, $b], [$b, $a]] as [$held, $other]) {
            foreach ($this->sides($method, $held) as [$index, $side]) {
                $coupling = $this->parts->couplingsOf($method->value)[$index];
                $range = $coupling->sides[1 - $side];
                if ($coupling->size === $other->pipe->size) {
                    return new Refusal(
                        $method,
                        in_array($other->stuff, $range->kinds, true) ? 'range' : 'not-made-for',
                        [
                            'held' => $held->system->short,
                            'other' => $other->system->short,
                            'other_od_mm' => $other->outsideMm,
                            'low_od_mm' => $range->lowMm,
                            'high_od_mm' => $range->highMm,
                            'made_for' => implode(', ', array_slice($range->names, 0, 2)).
                                (count($range->names) > 2 ? ' and the like' : ''),
                        ],
                        $coupling->provenance,
                    );
                }
            }
        }
        $uk = $a->system->region === 'uk' || $b->system->region === 'uk';

        return $uk && $method !== Method::UniversalCompression
            ? new Refusal(
                $method,
                'no-row',
                ['a' => $a->system->short, 'b' => $b->system->short],
                isNear: $method === Method::ShieldedTransition,
                isUnknown: true,
            )
            : new Refusal(
                $method,
                'no-part',
                [
                    'a' => $a->system->short,
                    'a_od_mm' => $a->outsideMm,
                    'b' => $b->system->short,
                    'b_od_mm' => $b->outsideMm,
                ],
                isNear: $method !== Method::UniversalCompression && $a->pipe->size === $b->pipe->size,
            );
    }
}
