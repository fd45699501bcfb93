<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * What was measured on site for one move of making up, kept in the job so that it can be opened again beside the pipe:
 * two ends, a fitting cut into a line that stands, or a
 * trap. It holds what somebody measured and said, nothing that is reckoned from it. Lengths in mm.
 */
final readonly class GuidedMove
{
    public const KINDS = ['ends', 'cut-in', 'trap-fit'];

    private const FAR_MM = 100_000.0;

    /**
     * What is kept of each kind: least and most of a number, longest text, or yes and no. Legs and sizes are said as
     * text: they may be gone when the move is opened again.
     */
    private const VALUES = [
        'ends' => [
            'from_leg' => 40,
            'to_leg' => 40,
            'along_mm' => [-self::FAR_MM, self::FAR_MM],
            'over_mm' => [-self::FAR_MM, self::FAR_MM],
            'down_mm' => [-self::FAR_MM, self::FAR_MM],
            'turn_deg' => [-180.0, 180.0],
            'fall_mm_per_m' => [-1000.0, 10_000.0],
            'plumb' => true,
            'max_bends' => [1.0, 4.0],
            'clearance_mm' => [0.0, 10_000.0],
        ],
        'cut-in' => [
            'standing' => 40,
            'ground' => 10,
            'length_mm' => [1.0, self::FAR_MM],
            'centre_mm' => [0.0, self::FAR_MM],
            'system' => 40,
            'pattern' => 40,
            'branch' => 10,
            'run_in_mm' => [0.0, 2000.0],
            'run_out_mm' => [0.0, 2000.0],
            'insertion_mm' => [1.0, 1000.0],
            'room_up_mm' => [0.0, self::FAR_MM],
            'room_down_mm' => [0.0, self::FAR_MM],
        ],
        'trap-fit' => [
            'fixture' => 40,
            'pattern' => 40,
            'where' => 10,
            'vented' => true,
            'ahead_mm' => [0.0, 20_000.0],
            'aside_mm' => [-20_000.0, 20_000.0],
            'down_mm' => [-20_000.0, 20_000.0],
            'tail_mm' => [0.0, 20_000.0],
            'tail_size' => 10,
            'trap_size' => 10,
            'outlet_size' => 10,
            'outlet_system' => 40,
            'tall_mm' => [1.0, 2000.0],
            'reach_mm' => [0.0, 1000.0],
            'elbow_mm' => [0.0, 500.0],
            'depth_mm' => [0.0, 1000.0],
            'seal_mm' => [0.0, 500.0],
            'adjust_mm' => [0.0, 1000.0],
            'cabinet_mm' => [0.0, 20_000.0],
            'tee_branch_mm' => [0.0, 2000.0],
            'tee_out_mm' => [0.0, 2000.0],
        ],
    ];

    private const SPANS = ['along_from_mm', 'along_to_mm', 'over_from_mm', 'over_to_mm', 'up_from_mm', 'up_to_mm'];

    /**
     * @param string $kind one of KINDS
     * @param ?string $run id of the run that it belongs to; null: of the job, as a trap that no run is laid out for
     * @param array<string, float|string|bool> $values as said, by name
     * @param list<array<string, float|string>> $obstacles boxes that stand in the way of two ends
     */
    private function __construct(
        public string $id,
        public string $kind,
        public ?string $run,
        public string $name,
        public array $values,
        public array $obstacles,
    ) {}

    /**
     * @param string $id read and checked already
     * @param list<string> $runs ids
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields, string $id, array $runs): self
    {
        $kind = $fields->choice('kind', self::KINDS);
        // Two ends are ends of a run; a line that stands and a trap may have none.
        $run = $kind === 'ends' || $fields->has('run') ? $fields->choice('run', $runs) : null;
        $name = trim($fields->string('name', 80));
        if ($name === '') {
            throw BadInput::at($fields->at('name'), 'must not be empty', $name);
        }
        $said = $fields->child('values');
        $values = [];
        foreach (self::VALUES[$kind] as $key => $bounds) {
            if ($said->has($key)) {
                $values[$key] = match (true) {
                    is_array($bounds) => $said->number($key, $bounds[0], $bounds[1]),
                    is_int($bounds) => $said->string($key, $bounds),
                    default => $said->bool($key, false),
                };
            }
        }
        $obstacles = $kind === 'ends' ? array_map(self::obstacle(...), $fields->children('obstacles', 50)) : [];
        $said->end();
        $fields->end();

        return new self($id, $kind, $run, $name, $values, $obstacles);
    }

    /** @return array<string, mixed> as a job file holds it */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind,
            ...$this->run === null ? [] : ['run' => $this->run],
            'name' => $this->name,
            'values' => (object) $this->values,
        ] + ($this->obstacles === [] ? [] : ['obstacles' => $this->obstacles]);
    }

    /** @return array<string, float|string> */
    private static function obstacle(Fields $fields): array
    {
        $box = ['what' => $fields->stringOr('what', '', 80)];
        foreach (self::SPANS as $span) {
            $box[$span] = $fields->number($span, -self::FAR_MM, self::FAR_MM);
        }
        $fields->end();

        return $box;
    }
}
