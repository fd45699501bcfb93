<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Identify\Evidence;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * What was done and read on site that the plan is held against, as it stands now. It is no part of the document of a
 * job: the log has it. Lengths in mm.
 *
 * @phpstan-type LevelReading array{leg: string, at_mm: float, below_mm: float}
 * @phpstan-type Read array<string, float|bool|string>
 */
final readonly class OnSite
{
    /**
     * @param array<string, array<string, float>> $cut lengths really cut, by run and key of the piece
     * @param array<string, PrintedTicket> $printed the ticket of a run as it was last put on paper, by run
     * @param array<string, list<LevelReading>> $levels what was measured from the string down to the crown once it
     *     hung, by run
     * @param array<string, Read> $measured what was read and seen of a standing pipe, as the reckoner `identify` takes
     *     it, by id of the pipe
     * @param list<string> $runs ids of all runs that the log speaks of, those that are gone too, where it was asked for
     *     them: a new run takes none of these
     */
    public function __construct(
        public array $cut = [],
        public array $printed = [],
        public array $levels = [],
        public array $measured = [],
        public array $runs = [],
    ) {}

    /** @return list<string> ids of runs that pieces of are cut or printed, or hangers of read */
    public function touched(): array
    {
        return array_values(
            array_unique(
                array_map(
                    strval(...),
                    [...array_keys($this->cut), ...array_keys($this->printed), ...array_keys($this->levels)],
                ),
            ),
        );
    }

    /**
     * The same with all runs that the log speaks of.
     *
     * @param list<string> $runs ids
     */
    public function withRuns(array $runs): self
    {
        return new self($this->cut, $this->printed, $this->levels, $this->measured, $runs);
    }

    /** Whether nothing was done yet. */
    public function isNothing(): bool
    {
        return $this->cut === [] && $this->printed === [] && $this->levels === [] && $this->measured === [];
    }

    /**
     * Takes a document of version 3 or before, where all this stood among the plan.
     *
     * @throws BadInput at the field that is wrong
     */
    public static function ofVersion3(Fields $file): self
    {
        $runs = array_map(Named::id(...), $file->children('runs', Run::MOST));
        $cutting = $file->childOrNull('cutting');

        return new self(
            $cutting === null ? [] : self::cut($cutting, $runs),
            $cutting === null ? [] : self::printed($cutting, $runs),
            self::levels($file->children('hanging', Run::MOST), $runs),
            self::measured($file),
        );
    }

    /**
     * Checks what was read and seen of a standing pipe as `identify` will, and gives it as it was said.
     *
     * @return Read
     *
     * @throws BadInput at the field that is wrong
     */
    public static function evidence(Fields $fields): array
    {
        Evidence::read($fields);
        $fields->end();
        $kept = [];
        foreach ($fields->all() as $key => $value) {
            if (is_float($value) || is_int($value) || is_bool($value) || is_string($value)) {
                $kept[(string) $key] = is_int($value) ? (float) $value : $value;
            }
        }

        return $kept;
    }

    /**
     * @param list<string> $runs ids
     * @return array<string, array<string, float>>
     */
    private static function cut(Fields $cutting, array $runs): array
    {
        $cut = [];
        foreach ($cutting->children('cut', 20_000) as $one) {
            [$run, $piece] = [$one->choice('run', $runs), $one->string('piece', Marks::LONGEST_KEY)];
            if (isset($cut[$run][$piece])) {
                throw BadInput::at($one->at('piece'), 'stands twice', $piece);
            }
            $cut[$run][$piece] = $one->number('length_mm', 1, 1_000_000);
            $one->end();
        }

        return $cut;
    }

    /**
     * @param list<string> $runs ids
     * @return array<string, PrintedTicket>
     */
    private static function printed(Fields $cutting, array $runs): array
    {
        $printed = [];
        foreach ($cutting->children('printed', 10_000) as $one) {
            $ticket = PrintedTicket::read($one, $runs);
            $printed[$ticket->run] = isset($printed[$ticket->run])
                ? throw BadInput::at($one->at('run'), 'stands twice', $ticket->run)
                : $ticket;
        }

        return $printed;
    }

    /**
     * @param list<Fields> $hanging
     * @param list<string> $runs ids
     * @return array<string, list<LevelReading>>
     */
    private static function levels(array $hanging, array $runs): array
    {
        $levels = [];
        foreach ($hanging as $of) {
            foreach ($of->children('readings', 1000) as $one) {
                $levels[$of->choice('run', $runs)][] = [
                    'leg' => $one->string('leg', 40),
                    'at_mm' => $one->number('at_mm', 0, 1_000_000),
                    'below_mm' => $one->number('below_mm', -5000, 20_000),
                ];
                $one->end();
            }
        }

        return $levels;
    }

    /** @return array<string, Read> */
    private static function measured(Fields $file): array
    {
        $measured = [];
        foreach ($file->children('standing', 200) as $pipe) {
            $evidence = $pipe->childOrNull('evidence');
            if ($evidence !== null) {
                $measured[Named::id($pipe)] = self::evidence($evidence);
            }
        }

        return $measured;
    }
}
