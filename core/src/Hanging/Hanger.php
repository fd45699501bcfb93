<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

/** One hanger. */
final readonly class Hanger
{
    /** Why it is there, the first of these where there are several reasons; `own`: somebody set it by hand. */
    public const REASONS = ['base', 'turn', 'heavy', 'joint', 'spacing', 'own'];

    /** `joist`: from a joist that is there; `batten`: from a batten between two; `hanger`: from whatever is over it; `bracket`: to the wall. */
    public const KINDS = ['joist', 'batten', 'hanger', 'bracket'];

    /**
     * @param int $leg number of the leg, from 0
     * @param float $atMm from its upstream end
     * @param string $kind one of KINDS
     * @param string $why one of REASONS
     * @param bool $isClear it keeps clear of every joint
     */
    public function __construct(public int $leg, public float $atMm, public string $kind, public string $why, public bool $isClear) {}
}
