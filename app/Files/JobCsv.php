<?php

declare(strict_types=1);

namespace App\Files;

use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Measure\Tape;

/**
 * The lists of a job as tables: what to cut, what to buy, the joints, the hangers. Lengths in millimetres, beside them
 * as the tape says them.
 *
 * @phpstan-import-type HangerReport from RunHanging
 */
final readonly class JobCsv
{
    public const LISTS = ['cut', 'materials', 'joints', 'hangers', 'levels', 'sticks'];

    private const HANGER = ['run', 'hanger', 'leg', 'from the leg\'s beginning (mm)', 'along the run (mm)'];

    private JobLayout $layout;

    private Job $job;

    public function __construct(private EvaluatedJob $evaluated)
    {
        $this->layout = $evaluated->layout();
        $this->job = $evaluated->job();
    }

    /** @param string $list one of LISTS */
    public function table(string $list): string
    {
        return match ($list) {
            'cut' => $this->cut(),
            'materials' => $this->materials(),
            'joints' => $this->joints(),
            'hangers' => $this->hangers(),
            'levels' => $this->levels(),
            default => $this->sticks(),
        };
    }

    private function cut(): string
    {
        $rows = [];
        foreach ($this->layout->runs as $id => $run) {
            $done = $this->job->site->cut[$id] ?? [];
            $lengths = $this->evaluated->cutting()->lengths($run->run->id);
            foreach ($run->pieces as $piece) {
                $length = $lengths[$piece->key];
                $long = $this->evaluated->cutting()->longMm($run->run->id, $piece);
                $rows[] = [
                    $run->run->name,
                    $piece->letter,
                    $run->system->letters,
                    $piece->size,
                    $piece->isCutKnown ? round($length, 3) : null,
                    $piece->isCutKnown ? $this->inWords($length) : 'measure first',
                    $long === null ? null : round($long, 3),
                    $long === null ? '' : $this->inWords($long),
                    round($piece->depthFromMm, 3),
                    round($piece->depthToMm, 3),
                    isset($done[$piece->key]) ? 'yes' : 'no',
                ];
            }
        }

        return Csv::write(
            [
                'run',
                'piece',
                'pipe',
                'size',
                'cut length (mm)',
                "cut length ({$this->unit()})",
                'cut long, then trimmed (mm)',
                "cut long, then trimmed ({$this->unit()})",
                'insertion upstream (mm)',
                'insertion downstream (mm)',
                'cut',
            ],
            $rows,
        );
    }

    private function materials(): string
    {
        $rows = array_map(
            static fn (array $row): array => [
                $row['shelf'],
                $row['what'],
                $row['letters'],
                $row['size'],
                $row['count'],
                $row['maker'],
                $row['note'],
                $row['each'],
                $row['price'],
            ],
            // What is taken along is not bought.
            array_values(array_filter(
                $this->evaluated->materials()->rows(),
                static fn (array $row): bool => $row['shelf'] !== 'along',
            )),
        );

        return Csv::write(
            ['shelf', 'what', 'pipe', 'size', 'count', 'maker\'s name', 'note', 'price (each)', 'price (all of them)'],
            $rows,
        );
    }

    private function joints(): string
    {
        $rows = [];
        foreach ($this->layout->runs as $run) {
            $register = JointRegister::entries($run);
            foreach ($run->joints as $joint) {
                $entry = $register[$joint->key];
                $rows[] = [
                    $run->run->name,
                    $joint->mark,
                    $entry['name'],
                    $run->system->letters,
                    $joint->size,
                    $entry['method_name'],
                    $entry['method'],
                    $entry['state'],
                    round($joint->tapeMm, 3),
                    round($joint->depthMm, 3),
                ];
            }
        }

        return Csv::write(
            [
                'run',
                'joint',
                'name',
                'pipe',
                'size',
                'method',
                'method (key)',
                'state',
                'along the run (mm)',
                'insertion (mm)',
            ],
            $rows,
        );
    }

    private function hangers(): string
    {
        $rows = $this->ofHangers(
            static fn (array $hanger): array => [
                $hanger['kind'],
                $hanger['why'],
                $hanger['hold'] ?? '',
                $hanger['braced'] ? 'yes' : 'no',
                $hanger['face']['name'] ?? '',
                self::mm($hanger['face']['at'] ?? null),
                self::mm($hanger['below_string']),
            ],
        );

        return Csv::write(
            [
                ...self::HANGER,
                'hangs from',
                'why',
                'hold',
                'braced',
                'measured from',
                'from there (mm)',
                'string to crown (mm)',
            ],
            $rows,
        );
    }

    /**
     * What the tape has to read at every hanger of level pipe, and what it read: to be filled in and taken in again.
     */
    private function levels(): string
    {
        $rows = $this->ofHangers(
            static fn (array $hanger): ?array => $hanger['below_string'] === null
                ? null
                : [
                    self::mm($hanger['below_string']),
                    self::mm($hanger['read']),
                    $hanger['off_mm'] === null ? null : round($hanger['off_mm'], 3),
                ],
        );

        return Csv::write(
            [...self::HANGER, 'string to crown (mm)', 'string to crown, read (mm)', 'too low (mm)'],
            $rows,
        );
    }

    /**
     * @param callable(HangerReport): (list<string|int|float|null>|null) $cells
     * @return list<list<string|int|float|null>>
     */
    private function ofHangers(callable $cells): array
    {
        $rows = [];
        foreach ($this->layout->runs as $run) {
            foreach ($this->evaluated->hanging($run->run->id)->toArray()['hangers'] as $hanger) {
                $said = $cells($hanger);
                if ($said !== null) {
                    $rows[] = [
                        $run->run->name,
                        $hanger['number'],
                        $hanger['leg'],
                        self::mm($hanger['at']),
                        round($hanger['tape_mm'], 3),
                        ...$said,
                    ];
                }
            }
        }

        return $rows;
    }

    /** @param array{mm: float}|null $tape */
    private static function mm(?array $tape): ?float
    {
        return $tape === null ? null : round($tape['mm'], 3);
    }

    /** What there is to cut from, as it is taken in again. */
    private function sticks(): string
    {
        $rows = [];
        foreach ($this->evaluated->cutting()->stocks() as $of) {
            foreach ($of['stock'] as $stick) {
                $rows[] = [$of['system'], $of['size'], round($stick->mm, 3), $stick->price, $stick->available];
            }
        }

        return Csv::write(['system', 'size', 'length (mm)', 'price', 'available'], $rows);
    }

    private function inWords(float $mm): string
    {
        $tape = (new Tape)->reading($mm);

        return $this->job->units->value === 'inch' ? $tape['inch'] : $tape['metric'];
    }

    private function unit(): string
    {
        return $this->job->units->value === 'inch' ? 'in' : 'mm';
    }
}
