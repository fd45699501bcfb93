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
     * @param ?float $joistEveryMm joists that cross every level leg, and where the first stands on each
     * @param ?float $swingC how much warmer the pipe gets than it was when it was joined, °C
     * @param list<array{leg: string, at_mm: float}>|null $own hangers set by hand, in place of those that are reckoned; null: none was touched
     */
    private function __construct(public string $run, public ?float $stringMm, public ?float $joistEveryMm, public float $joistFirstMm, public ?float $swingC, public ?array $own) {}

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $fields, string $run): self
    {
        $own = $fields->has('own') ? array_map(static function (Fields $one): array {
            $hanger = ['leg' => $one->string('leg', 40), 'at_mm' => $one->number('at_mm', 0, 1_000_000)];
            $one->end();

            return $hanger;
        }, $fields->children('own', 1000)) : null;
        $hanging = new self($run, $fields->numberOrNull('string_mm', 0, 5000), $fields->numberOrNull('joist_every_mm', 50, 10_000), $fields->numberOrNull('joist_first_mm', 0, 10_000) ?? 0.0, $fields->numberOrNull('swing_c', 0, 100), $own);
        $fields->end();

        return $hanging;
    }

    /** @return array<string, mixed> as a job file holds it */
    public function toArray(): array
    {
        return array_filter(['run' => $this->run, 'string_mm' => $this->stringMm, 'joist_every_mm' => $this->joistEveryMm, 'joist_first_mm' => $this->joistEveryMm === null ? null : $this->joistFirstMm, 'swing_c' => $this->swingC, 'own' => $this->own],
            static fn (mixed $value): bool => $value !== null);
    }
}
