<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use DateTimeImmutable;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Joining\Method;
use FallBend\Core\Measure\Units;
use FallBend\Core\Sequence\ClockedJoint;
use FallBend\Core\Sequence\DayAsked;
use FallBend\Core\Sequence\GlueClock;
use FallBend\Core\Sequence\SiteTimes;
use FallBend\Core\Sequence\SiteTimetable;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\SourceList;

/** The order of a day of joining, with its clocks. */
final readonly class GlueClockReckoner implements Reckoner
{
    private const MOST_JOINTS = 200;

    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'glue-clock';
    }

    public function summary(): string
    {
        return 'who joins what and when, when it may be moved and filled, and when the line is closed to the house';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $book = $catalogue
            ->rulebook($input->choice('rulebook', $catalogue->rulebookKeys()))
            ->with($overrides->rulebook);
        $table = new SiteTimetable($catalogue, $book, Conditions::read($input));
        $asked = DayAsked::read($input);
        $joints = $this->joints($input, $catalogue, $table, $asked->closedFrom !== null);
        $clock = new GlueClock(
            $joints,
            $asked->people,
            $asked->start,
            $asked->closedFrom,
            $asked->closedUntil,
            $table->dryFit(),
            $effort,
        );
        $input->end();
        [$day, $findings] = $clock->day();

        return $day + [
            'findings' => FindingReport::list(
                $findings,
                $book->units === 'mm' ? Units::Millimetre : Units::Inch,
            ),
            'sources' => SourceList::list($clock->sources()),
        ];
    }

    /**
     * @return list<ClockedJoint>
     *
     * @throws BadInput
     */
    private function joints(Fields $input, Catalogue $catalogue, SiteTimetable $table, bool $isLineClosed): array
    {
        $rows = $input->children('joints', self::MOST_JOINTS);
        $ids = self::ids($rows);
        [$made, $dry] = self::done($input, $ids);
        $joints = [];
        foreach ($rows as $fields) {
            $system = $catalogue->system($fields->choice('system', $catalogue->systemKeys()));
            $other = $fields->has('other_system')
                ? $catalogue->system($fields->choice('other_system', $catalogue->systemKeys()))
                : null;
            $size = $fields->choice('size', $system->sizes());
            if ($other !== null) {
                $fields->choice('size', $other->sizes());
            }
            $times = $table->times($fields->enum('method', Method::class), $system, $size, $other);
            $id = $fields->string('id', 60);
            $joints[] = new ClockedJoint(
                $id,
                self::timed($fields, $times),
                self::others($fields, 'needs', $ids),
                self::others($fields, 'with', $ids),
                $fields->bool('in_line', $isLineClosed),
                isset($dry[$id]),
                $made[$id] ?? null,
            );
            $fields->end();
        }

        return $joints;
    }

    /**
     * @param list<Fields> $rows
     * @return list<string>
     *
     * @throws BadInput
     */
    private static function ids(array $rows): array
    {
        $ids = [];
        foreach ($rows as $fields) {
            $id = $fields->string('id', 60);
            if (in_array($id, $ids, true)) {
                throw BadInput::at($fields->at('id'), 'stands twice', $id);
            }
            $ids[] = $id;
        }

        return $ids;
    }

    /**
     * Takes what people timed themselves in place of what is assumed: `[{what, minutes, people}]`.
     *
     * @throws BadInput
     */
    private static function timed(Fields $fields, SiteTimes $times): SiteTimes
    {
        if (! $fields->has('person_steps')) {
            return $times;
        }
        [$minutes, $people] = [0.0, 1];
        foreach ($fields->children('person_steps', 20) as $step) {
            $step->string('what', 80);
            $minutes += $step->number('minutes', 0, 1000);
            $people = max($people, $step->has('people') ? $step->int('people', 1, 2) : 1);
            $step->end();
        }

        return new SiteTimes(
            $minutes,
            $people,
            $times->workingS,
            $times->coatS,
            $times->holdS,
            $times->setMin,
            $times->fillMin,
            $times->findings,
            $times->sources,
        );
    }

    /**
     * @param list<string> $ids of all joints
     * @return list<string>
     *
     * @throws BadInput
     */
    private static function others(Fields $fields, string $key, array $ids): array
    {
        $others = $fields->strings($key);
        foreach ($others as $i => $other) {
            if (! in_array($other, $ids, true) || $other === $fields->raw('id')) {
                throw BadInput::at($fields->at("{$key}.{$i}"), 'is none of the other joints', $other);
            }
        }

        return $others;
    }

    /**
     * @param list<string> $ids
     * @return array{array<string, DateTimeImmutable>, array<string, true>} when joints were made, and which were tried
     *     dry
     *
     * @throws BadInput
     */
    private static function done(Fields $input, array $ids): array
    {
        [$made, $dry] = [[], []];
        foreach ($input->children('done', 2 * self::MOST_JOINTS) as $entry) {
            $joint = $entry->choice('joint', $ids);
            $dry[$joint] = true;
            $at = DayAsked::moment($entry, 'at');
            if ($entry->has('what') && $entry->choice('what', ['dry-fit', 'join']) === 'dry-fit') {
                $entry->end();

                continue;
            }
            $made[$joint] = $at;
            $entry->end();
        }

        return [$made, $dry];
    }
}
