<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

/** What comes of a straight stretch that grows, at one of its ends. Lengths in mm. */
final readonly class Growth
{
    /**
     * Where it goes: it bends the leg round the turn, into the sockets that it is pushed together with, into what lets
     * it grow, against the outlet or the tie-in.
     */
    public const INTO = ['turn', 'joints', 'allowance', 'outlet', 'tie-in'];

    /**
     * @param 'up'|'down' $way which end
     * @param float $moveMm how far the end moves
     * @param value-of<self::INTO> $into
     * @param ?int $leg number of the leg that it bends, from 1
     * @param ?float $freeMm from the turn to the first hanger on that leg, by number in `hanger`
     * @param ?float $newton what that hanger is pushed aside with; null where there is none or the modulus is not known
     */
    public function __construct(
        public string $way,
        public float $moveMm,
        public string $into,
        public ?int $leg = null,
        public ?float $freeMm = null,
        public ?int $hanger = null,
        public ?float $newton = null,
    ) {}
}
