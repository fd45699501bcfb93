<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** Branch fittings whose lengths are reckoned alike. */
enum BranchKind: string
{
    case Wye = 'wye';
    case Tee = 'tee';
    case VentTee = 'vent';
    /** Of two fixtures that meet in it: it holds a longer sweep than a tee. */
    case Fixture = 'fixture';
    case Combination = 'combo';
    /** A tee with no more throat than a book asks for. */
    case SweptTee = 'swept';
    case Boss = 'boss';

    /** Takes the pattern of a row. */
    public static function ofPattern(string $pattern): self
    {
        return match ($pattern) {
            'san-tee', 'double-san-tee' => self::Tee,
            'vent-tee' => self::VentTee,
            'double-fixture' => self::Fixture,
            'combo', 'double-combo' => self::Combination,
            'swept-tee', 'double-swept-tee' => self::SweptTee,
            'boss' => self::Boss,
            default => self::Wye,
        };
    }

    /** Gives the name of its doubt in the rows of families. */
    public function doubt(): string
    {
        return $this === self::VentTee ? 'tee_mm' : "{$this->value}_mm";
    }

    /**
     * Gives which end of the run is reckoned first where the fitting is stated over all, and which follows from it.
     *
     * @return array{'run_in_mm'|'run_out_mm', 'run_in_mm'|'run_out_mm'}
     */
    public function firstEnd(): array
    {
        return $this === self::Tee ? ['run_out_mm', 'run_in_mm'] : ['run_in_mm', 'run_out_mm'];
    }
}
