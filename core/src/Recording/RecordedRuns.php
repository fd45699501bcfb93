<?php

declare(strict_types=1);

namespace FallBend\Core\Recording;

use DateTimeImmutable;
use DateTimeInterface;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Job;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Joining\TroubleKind;
use FallBend\Core\Layout\JointNames;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Sequence\RunTimes;
use FallBend\Core\Sequence\SingleJoints;
use FallBend\Core\Sequence\SiteTimetable;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\JointStanding;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Verdict\FindingReport;

/**
 * The runs of a job as they stand, joint by joint: how it was made, by whom and when, what was seen of it and found at
 * it since.
 *
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type WrittenAsBuilt from AsBuilt
 *
 * @phpstan-type RecordedTrouble array{
 *     what: value-of<TroubleKind>,
 *     at: string,
 *     by: string,
 *     note: string,
 * }
 * @phpstan-type RecordedPicture array{hash: string, at: string, by: string, note: string}
 * @phpstan-type MadeJoint array{
 *     method: string,
 *     part: string,
 *     made_at: ?string,
 *     by: string,
 *     air_c: ?float,
 *     rh_percent: ?float,
 *     torque_nm: ?float,
 *     dry_at: ?string,
 *     depth: ?bool,
 *     angle: ?bool,
 *     bead: ?bool,
 *     note: string,
 *     trouble: RecordedTrouble|null,
 *     cut_out: list<array{at: string, by: string, note: string}>,
 *     dry: ?bool,
 *     dry_by: string,
 *     located: string,
 *     pictures: list<RecordedPicture>,
 * }
 * @phpstan-type RecordedJoint array{
 *     joint: int,
 *     name: string,
 *     size: string,
 *     planned: string,
 *     method: string,
 *     part: string,
 *     made_at: ?string,
 *     by: string,
 *     air_c: ?float,
 *     rh_percent: ?float,
 *     torque_nm: ?float,
 *     dry_at: ?string,
 *     depth: ?bool,
 *     angle: ?bool,
 *     bead: ?bool,
 *     note: string,
 *     trouble: RecordedTrouble|null,
 *     cut_out: list<array{at: string, by: string, note: string}>,
 *     dry: ?bool,
 *     dry_by: string,
 *     located: string,
 *     pictures: list<RecordedPicture>,
 * }
 * @phpstan-type RecordedPiece array{letter: string, size: string, cut: Reading|null, came: Reading|null}
 * @phpstan-type RecordedRun array{
 *     id: string,
 *     name: string,
 *     pipe: string,
 *     length: Reading,
 *     fall: Reading,
 *     pieces: list<RecordedPiece>,
 *     joints: list<RecordedJoint>,
 *     differs: list<SaidFinding>,
 *     built: WrittenAsBuilt,
 * }
 */
final readonly class RecordedRuns
{
    private Tape $tape;

    private SiteTimetable $table;

    public function __construct(
        private Job $job,
        private Catalogue $catalogue,
        private Rulebook $book,
        private SiteLog $log,
    ) {
        $this->tape = new Tape;
        $this->table = new SiteTimetable($catalogue, $book, $job->conditions);
    }

    /**
     * @param list<RunLayout> $layouts
     * @return list<RecordedRun>
     */
    public function list(array $layouts): array
    {
        return array_map($this->run(...), $layouts);
    }

    /** @return RecordedRun */
    private function run(RunLayout $layout): array
    {
        $times = new RunTimes($layout, $this->table);

        return [
            'id' => $layout->run->id,
            'name' => $layout->run->name,
            'pipe' => $layout->system->name,
            'length' => $this->tape->reading($layout->tapeMm),
            'fall' => $this->tape->reading($layout->fallMm()),
            'pieces' => array_map(
                fn (Piece $piece): array => [
                    'letter' => $piece->letter,
                    'size' => $piece->size,
                    'cut' => $piece->isCutKnown ? $this->tape->reading($piece->cutMm) : null,
                    'came' => $this->tape->readingOrNull(
                        $this->job->cutting->cut[$layout->run->id][$piece->key] ?? null,
                    ),
                ],
                $layout->pieces,
            ),
            'joints' => $this->joints($layout, $times),
            'built' => (new AsBuilt($this->job, $this->catalogue, $this->book))->ofRun($layout),
            'differs' => FindingReport::list(
                (new AsJoined($layout, $times))->findings($this->log),
                $this->job->units,
            ),
        ];
    }

    /** @return RecordedRun|null the joints outside the runs; null: there are none */
    public function outside(SingleJoints $singles): ?array
    {
        $joints = [];
        foreach ($this->job->singles as $n => $single) {
            $method = $singles->offer($single)?->method;
            $run = SingleJoints::run($single);
            $standing = $this->log->joint($run, SingleJoints::NUMBER);
            $joints[] = [
                'joint' => $n + 1,
                'name' => $single->name,
                'size' => '',
                'planned' => self::name($method),
            ] + $this->joint($standing, $run, SingleJoints::NUMBER, $method);
        }

        return $joints === []
            ? null
            : [
                'id' => 'singles',
                'name' => 'Joints outside the runs',
                'pipe' => 'by themselves',
                'length' => $this->tape->reading(0.0),
                'fall' => $this->tape->reading(0.0),
                'pieces' => [],
                'joints' => $joints,
                'built' => ['hangers' => [], 'error_mm' => 0.0, 'findings' => []],
                'differs' => [],
            ];
    }

    /** @return list<RecordedJoint> */
    private function joints(RunLayout $layout, RunTimes $times): array
    {
        $names = new JointNames($layout);
        $standing = $this->log->joints($layout->run->id);
        $joints = [];
        foreach ($layout->joints as $joint) {
            $joints[] = [
                'joint' => $joint->number,
                'name' => $names->nameOf($joint),
                'size' => $joint->size,
                'planned' => self::name($times->method($joint)),
            ] + $this->joint(
                $standing[$joint->number] ?? new JointStanding,
                $layout->run->id,
                $joint->number,
                $times->method($joint),
            );
        }

        return $joints;
    }

    /** @return MadeJoint */
    private function joint(JointStanding $standing, string $run, int $number, ?Method $planned): array
    {
        $made = $standing->made->content ?? [];
        $seen = $standing->seen->content ?? [];
        $method = isset($made['method']) ? Method::tryFrom($made['method']) : $planned;

        return [
            'method' => $standing->made === null ? '' : self::name($method),
            'part' => $made['part'] ?? '',
            'made_at' => $this->timeOrNull($standing->made),
            'by' => $standing->made->by ?? '',
            'air_c' => $made['air_c'] ?? null,
            'rh_percent' => $made['rh_percent'] ?? null,
            'torque_nm' => $made['torque_nm'] ?? null,
            'dry_at' => $this->timeOrNull($standing->dry),
            'depth' => $seen['depth'] ?? null,
            'angle' => $seen['angle'] ?? null,
            'bead' => $seen['bead'] ?? null,
            'note' => $made['note'] ?? '',
            'trouble' => $this->trouble($standing),
            'cut_out' => array_map(
                fn (Entry $entry): array => [
                    'at' => $this->iso($entry->at),
                    'by' => $entry->by,
                    'note' => $entry->content['note'] ?? '',
                ],
                $standing->cutOut,
            ),
            'dry' => $standing->walk->content['dry'] ?? null,
            'dry_by' => $standing->walk->by ?? '',
            'located' => $this->located($run, $number),
            'pictures' => array_map(
                $this->picture(...),
                $this->log->ofJoints($run, EntryKind::Photograph)[$number] ?? [],
            ),
        ];
    }

    /** @return RecordedTrouble|null */
    private function trouble(JointStanding $standing): ?array
    {
        $what = $standing->trouble();

        return $what === null || $standing->trouble === null
            ? null
            : [
                'what' => $what->value,
                'at' => $this->iso($standing->trouble->at),
                'by' => $standing->trouble->by,
                'note' => $standing->trouble->content['note'] ?? '',
            ];
    }

    /** @return list<RecordedPicture> of the whole job */
    public function pictures(): array
    {
        $ofWhole = static fn (Entry $entry): bool => ! isset($entry->content['joint']);

        return array_map(
            $this->picture(...),
            array_values(array_filter($this->log->of(EntryKind::Photograph), $ofWhole)),
        );
    }

    /** @return RecordedPicture */
    private function picture(Entry $entry): array
    {
        return [
            'hash' => $entry->content['hash'] ?? '',
            'at' => $this->iso($entry->at),
            'by' => $entry->by,
            'note' => $entry->content['note'] ?? '',
        ];
    }

    /** Gives where a joint lies that is covered, as it was measured last. */
    private function located(string $run, int $joint): string
    {
        $located = $this->log->ofJoints($run, EntryKind::Located)[$joint] ?? [];

        return $located === [] ? '' : $this->placeInWords($located[count($located) - 1]);
    }

    private function placeInWords(Entry $entry): string
    {
        $content = $entry->content;
        [$from, $second] = [$content['from'] ?? '', $content['second'] ?? ''];
        $long = function (float $mm): string {
            $reading = $this->tape->reading($mm);

            return $this->job->units === Units::Inch ? $reading['feet'] : "{$reading['metric']} mm";
        };
        $depth = isset($content['depth_mm']) ? ', '.$long($content['depth_mm']).' deep' : '';

        return $long($content['from_mm'] ?? 0.0)." from {$from}, ".
            $long($content['second_mm'] ?? 0.0)." from {$second}{$depth}";
    }

    private static function name(?Method $method): string
    {
        return $method === null ? '' : MethodTexts::text($method)['name'];
    }

    private function timeOrNull(?Entry $entry): ?string
    {
        return $entry === null ? null : $this->iso($entry->at);
    }

    private function iso(DateTimeImmutable $at): string
    {
        return $at->setTimezone($this->log->now->getTimezone())->format(DateTimeInterface::ATOM);
    }
}
