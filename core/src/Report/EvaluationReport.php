<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\CallOut\Phrase;
use FallBend\Core\CallOut\Unread;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Layout\JobSize;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use Generator;

/**
 * Writes a whole evaluated job as the interface shows it; what a screen shows of it alone is written by `JobParts`.
 *
 * @phpstan-import-type SingleReport from JointRegister
 * @phpstan-import-type WrittenNetwork from NetworkReport
 * @phpstan-import-type WrittenRun from RunReport
 * @phpstan-import-type StandingReport from HeadReport
 * @phpstan-import-type BuildingQuestion from BuildingQuestions
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type SaidPhrase array{
 *     text: string,
 *     at: int,
 *     unread: list<array{
 *         at: int,
 *         length: int,
 *         message: string,
 *     }>,
 * }
 * @phpstan-type Rest array{
 *     units: value-of<Units>,
 *     rulebook: array{id: string, name: string, style: string},
 *     drawn_fill: float,
 *     saw_kerf: Reading,
 *     standing: list<StandingReport>,
 *     building: list<BuildingQuestion>,
 *     phrases: list<SaidPhrase>,
 *     network: WrittenNetwork,
 *     singles: list<SingleReport>,
 * }
 * @phpstan-type Evaluation array{
 *     units: value-of<Units>,
 *     rulebook: array{id: string, name: string, style: string},
 *     drawn_fill: float,
 *     saw_kerf: Reading,
 *     standing: list<StandingReport>,
 *     building: list<BuildingQuestion>,
 *     phrases: list<SaidPhrase>,
 *     network: WrittenNetwork,
 *     singles: list<SingleReport>,
 *     runs: list<WrittenRun>,
 * }
 */
final readonly class EvaluationReport
{
    public function __construct(private EvaluatedJob $job) {}

    /**
     * @return Evaluation
     *
     * @throws BadInput if the job is too large to be answered at once
     */
    public function toArray(): array
    {
        JobSize::checkWhole($this->job->job(), $this->job->catalogue);

        return $this->rest() + ['runs' => iterator_to_array($this->runs(), false)];
    }

    /** @return Generator<WrittenRun> the runs, one after the other */
    public function runs(): Generator
    {
        $report = new RunReport($this->job->job()->units);
        foreach ($this->job->layout()->ids() as $id) {
            yield $report->write($this->job->run($id), $this->job->findings($id));
        }
    }

    /** @return Rest all but the runs */
    public function rest(): array
    {
        $head = new HeadReport($this->job);
        $network = new NetworkReport($this->job->network(), $this->job->book);

        return [
            ...$head->toArray(),
            'singles' => $head->singles(),
            'phrases' => self::phrases($this->job->phrases),
            'network' => [
                'counts_flow' => $network->countsFlow(),
                'places' => $network->places(),
                'fixtures' => $network->fixtures(),
                'pipes' => $network->pipes(),
                'crossings' => $network->crossings(),
            ],
        ];
    }

    /**
     * @param list<Phrase> $phrases
     * @return list<SaidPhrase>
     */
    public static function phrases(array $phrases): array
    {
        return array_map(static fn (Phrase $phrase): array => [
            'text' => $phrase->text,
            'at' => $phrase->at,
            'unread' => array_map(self::unread(...), $phrase->unread),
        ], $phrases);
    }

    /** @return array{at: int, length: int, message: string} */
    private static function unread(Unread $unread): array
    {
        return ['at' => $unread->at, 'length' => $unread->length, 'message' => $unread->message];
    }
}
