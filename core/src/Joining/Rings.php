<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Rulebook;

/**
 * Pushed home into a socket with a ring: bells of sewer pipe and clay, ring-seal sockets of UK soil, drain and push-fit
 * waste.
 */
final readonly class Rings implements WayOfJoining
{
    /** The sizes of sewer pipe whose gasket joint the tables know. */
    private const SEWER_SIZES = ['4', '6', '8'];

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
        $result = $method === Method::BellGasket ? self::bell($pipe, $socket) : self::pushFit($pipe, $socket);

        return $turned && $result instanceof Offer ? $result->turned() : $result;
    }

    private static function bell(PipeEnd $pipe, PipeEnd $bell): Offer|Refusal
    {
        $clay = $bell->system->material === 'clay';

        return match (true) {
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
            ! $clay && ! in_array($bell->pipe->size, self::SEWER_SIZES, true) => new Refusal(
                Method::BellGasket,
                'no-row',
                ['a' => $pipe->system->short, 'b' => $bell->system->short],
                isUnknown: true,
            ),
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
