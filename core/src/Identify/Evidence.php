<?php

declare(strict_types=1);

namespace FallBend\Core\Identify;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What is known of a pipe that nobody has named yet. Lengths in mm; what was not looked at is null or empty. */
final readonly class Evidence
{
    /** Joints that can be seen on a standing pipe; `bell` is any of the bells, `none` none seen. */
    public const JOINTS = [
        'bell',
        'iron-bell',
        'clay-bell',
        'ring-bell',
        'band',
        'solvent-socket',
        'ring-socket',
        'thread',
        'solder',
        'slip-nut',
        'compression-nut',
        'groove-nut',
        'sleeve',
        'none',
    ];

    public const COLOURS = [
        'white',
        'black',
        'grey',
        'green',
        'cream',
        'terracotta',
        'brown',
        'copper',
        'silver',
        'chrome',
        'brass',
        'blue',
        'painted',
    ];

    /**
     * @param ?float $outsideMm from a calliper, or from a string by π
     * @param float $errorMm how far the outside may be off: half the error is taken as one standard deviation
     * @param bool $isString the reading goes round the pipe, so that an oval one counts with its mean
     * @param ?float $kgPerM what a loose piece weighs, empty and dry, by its length
     */
    private function __construct(
        public ?float $outsideMm,
        public float $errorMm,
        public bool $isString,
        public ?float $wallMm,
        public ?float $kgPerM,
        public ?bool $magnet,
        public string $colour,
        public string $print,
        public string $joint,
        public string $region,
    ) {}

    /**
     * Reads `od_mm` or `circumference_mm`, `reading_error_mm`, and optionally `wall_mm`,
     * `kg_per_m`, `magnet`, `colour`, `print`,
     * `joint_seen`, `region`.
     *
     * @throws BadInput if both readings or none are given without any other evidence, or one is out of range
     */
    public static function read(Fields $fields): self
    {
        $od = $fields->numberOrNull('od_mm', 5, 1500);
        $round = $fields->numberOrNull('circumference_mm', 15, 5000);
        if (($od === null) === ($round === null)) {
            throw BadInput::at($fields->at('od_mm'), 'give either od_mm or circumference_mm');
        }
        $error = $fields->number('reading_error_mm', 0, 200);
        $evidence = new self(
            $od ?? (float) $round / M_PI,
            $round === null ? $error : $error / M_PI,
            $round !== null,
            $fields->numberOrNull('wall_mm', 0.2, 100),
            $fields->numberOrNull('kg_per_m', 0.05, 1000),
            $fields->has('magnet') ? $fields->bool('magnet', false) : null,
            $fields->has('colour') ? $fields->choice('colour', self::COLOURS) : '',
            mb_strtolower($fields->stringOr('print', '')),
            $fields->has('joint_seen') ? $fields->choice('joint_seen', self::JOINTS) : '',
            $fields->has('region') ? $fields->choice('region', ['us', 'uk']) : '',
        );

        return $evidence;
    }
}
