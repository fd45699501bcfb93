<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\JoiningParts;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\Rulebook;

/**
 * Pushed home into a socket with a ring: bells of sewer pipe and clay, ring-seal sockets of UK soil, drain and push-fit
 * waste. Into the bell of another pipe goes a ring that is made for the two, or an adapter.
 */
final readonly class Rings implements WayOfJoining
{
    public function __construct(private JoiningParts $parts) {}

    /** Gives the methods of this family. */
    public function methods(): array
    {
        return [Method::BellGasket, Method::PushFit];
    }

    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal
    {
        $socketKind = $method === Method::BellGasket ? EndKind::Bell : EndKind::RingSocket;
        $turned = $a->kind === $socketKind;
        [$pipe, $socket] = $turned ? [$b, $a] : [$a, $b];
        if ($socket->kind !== $socketKind || ! $pipe->kind->isMale()) {
            return Refusal::ends($method);
        }
        $result = $method === Method::BellGasket ? $this->bell($pipe, $socket) : self::pushFit($pipe, $socket);

        return $turned && $result instanceof Offer ? $result->turned() : $result;
    }

    private function bell(PipeEnd $pipe, PipeEnd $bell): Offer|Refusal
    {
        $clay = $bell->system->material === 'clay';
        $between = $pipe->system->key === $bell->system->key ? null : $this->between($pipe, $bell);

        return match (true) {
            $between !== null && ! ($pipe->isFixed && $bell->isFixed) => self::with($between, $pipe, $bell),
            $pipe->stuff !== $bell->stuff => new Refusal(Method::BellGasket, 'ring-of-another', [
                'pipe' => $pipe->system->short,
                'socket' => $bell->system->short,
            ]),
            ! $pipe->isAsWideAs($bell) || ($clay && $pipe->system->key !== $bell->system->key) => self::wide(
                Method::BellGasket,
                $pipe,
                $bell,
            ),
            $clay && $pipe->kind === EndKind::Plain => new Refusal(Method::BellGasket, 'clay-cut', []),
            $pipe->isFixed && $bell->isFixed => new Refusal(Method::BellGasket, 'nothing-moves'),
            default => new Offer(
                Method::BellGasket,
                [],
                $bell->pipe->statedDepthMm(),
                0.0,
                $bell->pipe->gapMm,
                $bell->pipe->statedDepthMm(),
            ),
        };
    }

    /** What goes between a bell and a pipe that it is not made for: a ring for the two, or an adapter. */
    private function between(PipeEnd $pipe, PipeEnd $bell): ?Part
    {
        foreach ($this->parts->forMethod(Method::BellGasket->value) as $part) {
            if (
                $part->hub === "{$bell->system->key}/{$bell->pipe->size}" &&
                $part->takes?->takes($pipe->stuff, $pipe->outsideMm) === true
            ) {
                return $part;
            }
        }

        return null;
    }

    private static function with(Part $part, PipeEnd $pipe, PipeEnd $bell): Offer
    {
        $depth = $part->isCemented ? $pipe->pipe->statedDepthMm() : $part->lengthMm ?? $bell->pipe->statedDepthMm();
        $standsOff = $part->lengthMm === null || $depth === null ? null : $part->lengthMm + $depth;

        return new Offer(
            Method::BellGasket,
            [$part],
            $depth,
            0.0,
            $part->isCemented ? $standsOff : $bell->pipe->gapMm,
            $bell->pipe->statedDepthMm(),
            handicap: $part->isCemented ? 4 : 2,
            variant: $part->isCemented ? 'adapter' : 'ring',
        );
    }

    private static function pushFit(PipeEnd $pipe, PipeEnd $ring): Offer|Refusal
    {
        return match (true) {
            $pipe->stuff !== $ring->stuff => new Refusal(
                Method::PushFit,
                'ring-of-another',
                ['pipe' => $pipe->system->short, 'socket' => $ring->system->short],
                isNear: $pipe->system->region === 'uk',
            ),
            ! $pipe->isAsWideAs($ring) => self::wide(Method::PushFit, $pipe, $ring),
            $pipe->isFixed && $ring->isFixed => new Refusal(Method::PushFit, 'nothing-moves'),
            default => new Offer(
                Method::PushFit,
                [],
                $ring->pipe->statedDepthMm(),
                0.0,
                $ring->pipe->gapMm,
                $ring->pipe->statedDepthMm(),
                variant: $ring->pipe->gapMm > 0 ? 'drawn-back' : 'home',
            ),
        };
    }

    private static function wide(Method $method, PipeEnd $pipe, PipeEnd $socket): Refusal
    {
        return new Refusal(
            $method,
            'ring-diameter',
            [
                'pipe' => $pipe->system->short,
                'pipe_od_mm' => $pipe->outsideMm,
                'socket' => $socket->system->short,
                'socket_od_mm' => $socket->outsideMm,
            ],
            $socket->pipe->provenance,
        );
    }
}
