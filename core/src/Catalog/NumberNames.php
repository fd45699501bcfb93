<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Measure\Spelling;
use FallBend\Core\Measure\Units;

/** What the numbers of rows are called on a screen and in a record. */
final class NumberNames
{
    /** By their field. */
    private const LABELS = [
        'od_mm' => 'outside',
        'od_plus_mm' => 'may be over',
        'od_minus_mm' => 'may be under',
        'bore_mm' => 'bore',
        'wall_mm' => 'wall',
        'kg_per_m' => 'kg per m',
        'depth_mm' => 'socket depth',
        'gap_mm' => 'gap in the joint',
        'take_off_mm' => 'centre to stop',
        'spigot_mm' => 'centre to end of spigot',
        'outlet_mm' => 'centre to stop of the outlet',
        'turn_deg' => 'turns',
        'radius_mm' => 'radius',
        'stop_mm' => 'stop',
        'offset_mm' => 'stop to stop',
        'length_mm' => 'length',
        'torque_nm' => 'torque, N·m',
        'torque_in_lb' => 'torque, in·lb',
        'insertion_mm' => 'goes in',
        'body_mm' => 'stop to face',
        'engagement_mm' => 'screws in',
        'hand_tight_mm' => 'hand-tight',
        'lead_lb' => 'lead, lb',
        'branch_mm' => 'branch, centre to stop',
        'run_mm' => 'run overall',
        'run_in_mm' => 'up the run, centre to stop',
        'run_out_mm' => 'down the run, centre to stop',
        'seal_least_mm' => 'seal at least',
        'seal_most_mm' => 'seal at most',
        'level_mm' => 'clips, level',
        'upright_mm' => 'clips, upright',
        'back_off_mm' => 'drawn back',
        'film_mm' => 'wet film',
        'value' => 'value',
        'cup_mm' => 'cup depth',
        'lead_depth_mm' => 'lead, deep',
    ];

    /** What a field is called in a job in these units: `center to stop`, `centre to stop`. */
    public static function label(string $field, Units $units): string
    {
        return Spelling::in($units, self::LABELS[$field] ?? str_replace(['_mm', '_'], ['', ' '], $field));
    }
}
