<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * What is measured down from a string to the crown of the pipe at every hanger: what it has to be, and what it was read
 * to be. Lengths in mm.
 *
 * @phpstan-import-type LevelReading from OnSite
 */
final readonly class HangerLevels
{
    private const SAME_MM = 0.5;

    /** What a tape reads at two hangers may be off together. */
    private const READING_MM = 1.0;

    /**
     * @param list<Hanger> $hangers in the order of flow
     * @param list<LevelReading> $readings what was read there
     */
    public function __construct(
        private RunLayout $layout,
        private array $hangers,
        private float $stringMm,
        private array $readings,
        private Spans $spans,
    ) {}

    /**
     * @return list<?float> at every hanger, from the string down to the crown; a string is drawn anew wherever the pipe
     *     goes up or down between two; null at upright pipe
     */
    public function below(): array
    {
        return array_column($this->levels(), 0);
    }

    /** @return list<?float> what was read there; null where nobody read it */
    public function read(): array
    {
        return array_map(function (Hanger $hanger): ?float {
            foreach ($this->readings as $reading) {
                if (
                    $reading['leg'] === $this->layout->legs[$hanger->leg]->line->leg->id &&
                    abs($reading['at_mm'] - $hanger->atMm) < self::SAME_MM
                ) {
                    return $reading['below_mm'];
                }
            }

            return null;
        }, $this->hangers);
    }

    /** @return list<Finding> where the pipe as it was read falls less between two hangers than it has to */
    public function findings(Rulebook $rulebook): array
    {
        [$findings, $read, $levels, $last] = [[], $this->read(), $this->levels(), null];
        foreach ($this->hangers as $i => $hanger) {
            if ($levels[$i][0] === null || $read[$i] === null) {
                continue;
            }
            // Two readings are of one string.
            if ($last !== null && $levels[$last][1] === $levels[$i][1]) {
                array_push($findings, ...$this->fallsBetween($last, $i, $read[$i] - ($read[$last] ?? 0.0), $rulebook));
            }
            $last = $i;
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function fallsBetween(int $from, int $to, float $drop, Rulebook $rulebook): array
    {
        $leg = $this->layout->legs[$this->hangers[$to]->leg];
        $length = $this->hangers[$to]->tapeMm($this->layout) - $this->hangers[$from]->tapeMm($this->layout);
        $least = $rulebook->forSize('fall.least', $leg->line->size, $this->layout->system->key);
        $params = ['from' => $from + 1, 'to' => $to + 1, 'drop_mm' => abs($drop), 'length_mm' => $length];
        $where = new Where(leg: $leg->line->number, tapeMm: $this->hangers[$from]->tapeMm($this->layout));
        if ($drop < -self::READING_MM) {
            return [new Finding(RuleId::HangReadBack, Severity::Stop, $where, $drop, 0.0, $params)];
        }
        $wanted = (($least->value ?? 0.0) / 1000) * $length;

        return $drop < $wanted - self::READING_MM
            ? [
                new Finding(
                    RuleId::HangReadFlat,
                    Severity::Warn,
                    $where,
                    $drop,
                    $wanted,
                    $params + ['least_mm' => $wanted, 'book' => $rulebook->name],
                    $least?->provenance,
                ),
            ]
            : [];
    }

    /** @return list<array{?float, int}> what is measured down, and the number of the string */
    private function levels(): array
    {
        [$levels, $string, $count, $before] = [[], null, 0, 0];
        foreach ($this->hangers as $hanger) {
            $leg = $this->layout->legs[$hanger->leg];
            $crown =
                $leg->from->z +
                $leg->line->direction->z * $hanger->atMm +
                $this->layout->system->pipe($leg->line->size)->outsideMm / 2;
            if ($leg->isUpright()) {
                $string = null;
            } elseif ($string === null || $this->spans->isUprightAmong($before, $hanger->leg)) {
                $string = $crown + $this->stringMm;
                $count++;
            }
            $before = $hanger->leg;
            $levels[] = [$string === null ? null : $string - $crown, $count];
        }

        return $levels;
    }
}
