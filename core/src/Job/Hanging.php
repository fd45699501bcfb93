<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What somebody decided about how a run is hung. Lengths in mm. */
final readonly class Hanging
{
    /**
     * @param ?float $stringMm from the string line down to the crown of the pipe at the first hanger
     * @param array{kind: FramingKind, every_mm: float, first_mm: float}|null $framing joists or studs
     *     that cross every level leg, and where the first stands on each
     * @param ?float $swingC how much warmer the pipe gets than it was when it was joined, °C
     * @param ?float $storeyMm from floor to floor, where upright pipe goes through some
     * @param float $floorMm from the run's beginning down to the first floor below it
     * @param list<array{leg: string, at_mm: float}>|null $own hangers set by hand, in place of those that are reckoned;
     *     null: none was touched
     * @param list<array{leg: string, name: string, before_mm: float}> $faces what places on a leg are measured from,
     *     and how far upstream of the leg's beginning it stands
     */
    private function __construct(
        public string $run,
        public ?float $stringMm,
        public ?array $framing,
        public ?float $swingC,
        public ?float $storeyMm,
        public float $floorMm,
        public ?array $own,
        public array $faces,
    ) {}

    /**
     * @param list<Fields> $rows
     * @param list<string> $runs ids
     * @return array<string, self> by run, each once
     *
     * @throws BadInput at the field that is wrong
     */
    public static function ofRuns(array $rows, array $runs): array
    {
        $hanging = [];
        foreach ($rows as $fields) {
            $run = $fields->choice('run', $runs);
            $hanging[$run] = isset($hanging[$run])
                ? throw BadInput::at($fields->at('run'), 'stands twice', $run)
                : self::read($fields, $run);
        }

        return $hanging;
    }

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $fields, string $run): self
    {
        $own = $fields->has('own')
            ? self::list(
                $fields,
                'own',
                static fn (Fields $one): array => [
                    'leg' => $one->string('leg', 40),
                    'at_mm' => $one->number('at_mm', 0, 1_000_000),
                ],
            )
            : null;
        $faces = self::list(
            $fields,
            'faces',
            static fn (Fields $one): array => [
                'leg' => $one->string('leg', 40),
                'name' => $one->string('name', 80),
                'before_mm' => $one->number('before_mm', -1_000_000, 1_000_000),
            ],
        );
        $hanging = new self(
            $run,
            $fields->numberOrNull('string_mm', 0, 5000),
            self::framing($fields->childOrNull('framing')),
            $fields->numberOrNull('swing_c', 0, 100),
            $fields->numberOrNull('storey_mm', 1000, 20_000),
            $fields->numberOrNull('floor_mm', 0, 20_000) ?? 0.0,
            $own,
            $faces,
        );
        $fields->end();

        return $hanging;
    }

    /**
     * @return array{kind: FramingKind, every_mm: float, first_mm: float}|null
     *
     * @throws BadInput
     */
    private static function framing(?Fields $fields): ?array
    {
        if ($fields === null) {
            return null;
        }
        $framing = [
            'kind' => $fields->enum('kind', FramingKind::class),
            'every_mm' => $fields->number('every_mm', 50, 10_000),
            'first_mm' => $fields->numberOrNull('first_mm', 0, 10_000) ?? 0.0,
        ];
        $fields->end();

        return $framing;
    }

    /** @return array<string, mixed> as a job file holds it */
    public function toArray(): array
    {
        return array_filter(
            [
                'run' => $this->run,
                'string_mm' => $this->stringMm,
                'framing' => $this->framing === null
                    ? null
                    : ['kind' => $this->framing['kind']->value] + $this->framing,
                'swing_c' => $this->swingC,
                'storey_mm' => $this->storeyMm,
                'floor_mm' => $this->storeyMm === null ? null : $this->floorMm,
                'own' => $this->own,
                'faces' => $this->faces === [] ? null : $this->faces,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    /**
     * @template T of array<string, mixed>
     *
     * @param callable(Fields): T $read
     * @return list<T>
     */
    private static function list(Fields $fields, string $key, callable $read): array
    {
        return array_map(static function (Fields $one) use ($read): array {
            $row = $read($one);
            $one->end();

            return $row;
        }, $fields->children($key, 1000));
    }
}
