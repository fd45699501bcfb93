<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Evaluation;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\JobFileUpgrade;
use FallBend\Core\Report\EvaluationReport;
use PHPUnit\Framework\TestCase;

/** A job that version 0.13 kept, with what it said of it: made with the code of that version. */
final class EarlierVersionTest extends TestCase
{
    /** What pipe was called then, and since. */
    private const RENAMED = [
        'Thick white plastic' => 'PVC DWV',
        'Thick black plastic' => 'ABS DWV',
        'Chromed tube' => 'Tubular brass',
        'Plastic tube' => 'Tubular plastic',
        'Sewer plastic' => 'SDR 35 sewer',
    ];

    /** What was said then, and is said more plainly since. */
    private const REWORDED = [
        '/Nobody has said how far (.+?) lies below the outlet\./' => 'How far $1 lies below the outlet is not entered.',
        '/What (.+?) is, nobody has said yet\./' => 'What $1 is made of is not known yet.',
        '/(How deep .+?, and how far down the pipe goes through it), nobody said\./' => '$1, is not entered.',
        '/\bcentre\b/' => 'center',
    ];

    public function testItOpensUnchangedAndSaysTheSame(): void
    {
        $kept = json_decode(
            (string) gzdecode((string) file_get_contents(__DIR__.'/kept-by-0.13.json.gz')),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $catalogue = Catalogue::shipped();
        $file = new JobFile($catalogue);
        $evaluated = (new JobEvaluator($catalogue))->evaluate($file->parse($kept['document']));
        // What was done of it stands in the log since; all else is the same, to the byte.
        $before = JobFileUpgrade::fromV3(json_decode($kept['document'], true, 64, JSON_THROW_ON_ERROR));
        self::assertSame(
            json_encode($before, JSON_THROW_ON_ERROR |
                    JSON_PRESERVE_ZERO_FRACTION |
                    JSON_UNESCAPED_UNICODE |
                    JSON_UNESCAPED_SLASHES),
            $file->write($evaluated->job()),
        );
        self::assertCount(6, $evaluated->said->site->measured);
        $now = json_decode(
            json_encode(
                (new EvaluationReport($evaluated))->toArray(),
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
            ),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $now['runs'] = self::asItWasKnown($kept['evaluation']['runs'], $now['runs']);
        $kept['evaluation']['runs'] = self::asItWasKnown($kept['evaluation']['runs'], $kept['evaluation']['runs']);
        // No fixture of that version was anything but the usual one of its kind.
        foreach (array_keys($now['network']['fixtures']) as $n) {
            self::assertNull($now['network']['fixtures'][$n]['counted_as']);
            unset($now['network']['fixtures'][$n]['counted_as']);
        }
        foreach ($kept['evaluation'] as $field => $said) {
            self::assertEqualsWithDelta(self::sure($said), self::sure($now[$field] ?? null), 0.001, $field);
        }
        // What the book asks of the building was not asked.
        self::assertEqualsCanonicalizing([...array_keys($kept['evaluation']), 'building'], array_keys($now));
    }

    /**
     * Runs without what that version drew where it knew nothing: the pieces that had no cut length, and where the
     * joints of branch fittings lie.
     *
     * @param list<array<string, mixed>> $kept
     * @param list<array<string, mixed>> $runs
     * @return list<array<string, mixed>>
     */
    private static function asItWasKnown(array $kept, array $runs): array
    {
        foreach ($kept as $i => $run) {
            foreach ($run['pieces'] as $n => $piece) {
                if (! $piece['known']) {
                    $runs[$i]['pieces'][$n] = array_diff_key(
                        $runs[$i]['pieces'][$n],
                        ['cut' => 0, 'from' => 0, 'to' => 0],
                    );
                }
            }
            foreach ($run['fittings'] as $n => $fitting) {
                if (! $fitting['known']) {
                    foreach (['into_mm', 'out_of_mm', 'take_off', 'branch'] as $drawn) {
                        unset($runs[$i]['fittings'][$n][$drawn]);
                    }
                }
            }
            foreach (array_keys($run['joints']) as $n) {
                foreach (['at', 'level', 'tape_mm'] as $place) {
                    unset($runs[$i]['joints'][$n][$place]);
                }
            }
        }

        return $runs;
    }

    /** What is said without where a number comes from, what it may be off, and the marks by runs: all newer. */
    private static function sure(mixed $said): mixed
    {
        if (! is_array($said)) {
            return is_string($said)
                ? preg_replace(array_keys(self::REWORDED), self::REWORDED, strtr($said, self::RENAMED))
                : $said;
        }
        unset($said['doubt'], $said['known'], $said['source'], $said['sources'], $said['doubtful'], $said['figure']);
        // By which method a trap is vented was not said.
        unset($said['like'], $said['ways']);
        // Nothing could be laid out of pipe with hubs.
        foreach (['hub', 'hubs'] as $newer) {
            if (array_key_exists($newer, $said)) {
                self::assertNull($said[$newer]);
                unset($said[$newer]);
            }
        }
        if (isset($said['number'], $said['mark'])) {
            unset($said['mark']);
        }
        if (isset($said['findings'])) {
            $said['findings'] = array_values(
                array_filter(
                    $said['findings'],
                    static fn (array $finding): bool => ! in_array(
                        $finding['rule'],
                        ['catalogue.doubtful', 'fitting.unmeasured', 'fitting.reckoned', 'fixture.guardNotKnown'],
                        true,
                    ) && ! str_starts_with($finding['rule'], 'building.'),
                ),
            );
        }

        return array_map(self::sure(...), $said);
    }
}
