<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Place;
use FallBend\Core\Measure\Length;

/** Reads and writes a run as it stands in the job file. */
final readonly class RunFile
{
    private const MOST_MM = 1_000_000.0;

    public function __construct(private Catalogue $catalogue) {}

    /**
     * @param array<string, StandingPipe> $standing by id
     *
     * @throws BadInput at the field that is wrong
     */
    public function read(Fields $fields, array $standing): Run
    {
        $system = $this->system($fields);
        $sizes = $system->sizes();
        $legs = self::legsOf($fields, $sizes);
        $run = new Run(
            Named::id($fields),
            Named::name($fields, 'name', 120),
            $system->key,
            $fields->choice('size', $sizes),
            $fields->enum('use', RunUse::class),
            $fields->numberOrNull('fall_mm_per_m', 0, 1000),
            (new EndFile($standing))->read($fields->child('outlet'), End::OUTLETS),
            (new EndFile($standing))->read($fields->child('tie_in'), End::TIE_INS),
            self::levelDifference($fields),
            $fields->numberOrNull('heading_deg', 0, 360) ?? 0.0,
            $legs,
            MarksFile::read($fields->childOrNull('marks')),
            self::nextLeg($fields, $legs),
            self::place($fields->childOrNull('place')),
        );
        $fields->end();

        return $run;
    }

    /** @throws BadInput if nothing can be laid out of it */
    private function system(Fields $fields): PipeSystem
    {
        $system = $this->catalogue->system($fields->choice('system', $this->catalogue->systemKeys()));
        if (! $system->isLaid()) {
            throw BadInput::at(
                $fields->at('system'),
                'has no bends in the catalogue to lay a run out with; these have: '.
                    implode(', ', $this->catalogue->laidKeys()),
                $system->key,
            );
        }

        return $system;
    }

    /**
     * @param list<string> $sizes that there are
     * @return list<Leg>
     *
     * @throws BadInput
     */
    private static function legsOf(Fields $fields, array $sizes): array
    {
        $legs = [];
        foreach ($fields->children('legs', Run::MOST_LEGS) as $legFields) {
            $leg = LegFile::read($legFields, Named::id($legFields), $sizes);
            if (isset($legs['.'.$leg->id])) {
                throw BadInput::at($legFields->at('id'), 'stands twice', $leg->id);
            }
            $legs['.'.$leg->id] = $leg;
        }

        return array_values($legs);
    }

    /**
     * Gives the number of the next leg: past every leg that is there, whatever the file says.
     *
     * @param list<Leg> $legs
     *
     * @throws BadInput
     */
    private static function nextLeg(Fields $fields, array $legs): int
    {
        $next = $fields->has('next_leg') ? $fields->int('next_leg', 1, Run::LEGS_END) : count($legs) + 1;
        foreach ($legs as $leg) {
            $next = preg_match('/^l(\d{1,7})\z/', $leg->id, $m) === 1 ? max($next, (int) $m[1] + 1) : $next;
        }
        if ($next > Run::LEGS_END) {
            throw BadInput::at($fields->at('next_leg'), 'has no number left for another leg', $next);
        }

        return $next;
    }

    private static function place(?Fields $fields): Place
    {
        if ($fields === null) {
            return new Place;
        }
        $place = Place::read($fields);
        $fields->end();

        return $place;
    }

    private static function levelDifference(Fields $fields): ?Length
    {
        $mm = $fields->numberOrNull('level_difference_mm', -self::MOST_MM, self::MOST_MM);

        return $mm === null ? null : Length::mm($mm);
    }

    /** @return array<string, mixed> the run, ready to be written as JSON */
    public static function document(Run $run): array
    {
        return self::given([
            'id' => $run->id,
            'name' => $run->name,
            'system' => $run->system,
            'size' => $run->size,
            'use' => $run->use->value,
            'fall_mm_per_m' => $run->fallMmPerM,
            'place' => ['ground' => $run->place->ground, 'access' => $run->place->access] +
                ($run->place->isAtDrainSewerLine ? ['at_drain_sewer_line' => true] : []),
            'outlet' => EndFile::document($run->outlet),
            'tie_in' => EndFile::document($run->tieIn),
            'level_difference_mm' => $run->levelDifference?->toMm(),
            'heading_deg' => $run->headingDeg,
            'legs' => array_map(LegFile::document(...), $run->legs),
            'next_leg' => $run->nextLeg,
            'marks' => MarksFile::document($run->marks),
        ]);
    }

    /**
     * @param array<string, mixed> $fields
     * @return array<string, mixed> without what is null
     */
    private static function given(array $fields): array
    {
        return array_filter($fields, static fn (mixed $value): bool => $value !== null);
    }
}
