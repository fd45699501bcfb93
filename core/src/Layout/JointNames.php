<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

/** Says the joints of a run as one would on site: “B into the long sweep”, “tee to C”, “F to the iron stub”. */
final readonly class JointNames
{
    /** @var array<string, string> letter of the piece that ends in a joint */
    private array $into;

    /** @var array<string, string> letter of the piece that begins at a joint */
    private array $outOf;

    /** @var array<string, string> name by key of fitting */
    private array $fittings;

    public function __construct(private RunLayout $layout)
    {
        [$into, $outOf, $fittings] = [[], [], []];
        foreach ($layout->pieces as $piece) {
            $into[$piece->jointTo] = $piece->letter;
            $outOf[$piece->jointFrom] = $piece->letter;
        }
        foreach ($layout->fittings as $fitting) {
            $fittings[$fitting->key] = $fitting->part->name;
        }
        [$this->into, $this->outOf, $this->fittings] = [$into, $outOf, $fittings];
    }

    /** Gives the name of a joint. */
    public function nameOf(Joint $joint): string
    {
        $in = $this->into[$joint->key] ?? null;
        $out = $this->outOf[$joint->key] ?? null;
        $fitting = $joint->fitting === null ? null : $this->fittings[$joint->fitting] ?? null;

        return match (true) {
            $joint->key === 'outlet' => ($out === null ? 'pipe' : $out).
                ' to '.
                ($fitting ?? $this->layout->run->outlet->thing()),
            $joint->key === 'outlet.in' => $this->layout->run->outlet->thing().
                ' into the '.
                ($fitting ?? 'coupling'),
            $joint->key === 'tie-in' && $fitting === null => ($in ?? 'pipe').
                ' to '.
                $this->layout->run->tieIn->thing(),
            $joint->key === 'tie-in.out' => ($fitting ?? 'coupling').' to '.$this->layout->run->tieIn->thing(),
            $in !== null && $out !== null && $fitting === null => $this->layout->run->rises()
                ? "{$out} into the hub of {$in}"
                : "{$in} into the hub of {$out}",
            $in !== null => "{$in} into the ".($fitting ?? 'fitting'),
            $out !== null => ($fitting ?? 'fitting')." to {$out}",
            default => 'into the '.($fitting ?? 'fitting'),
        };
    }
}
