<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Measure\Units;
use FallBend\Core\Report\EvaluationReport;
use FallBend\Core\Tests\Fixtures;
use FallBend\Core\Tests\Network\CaseJob;
use FallBend\Core\Tests\Rules\Network\NetworkRulesTest;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What the rules say of all cases of the other tests and of both demo jobs, word by word and place by place, as it
 * stands
 * in said/*.json. Where it is to be other, `SAID=write vendor/bin/phpunit core/tests/Rules/SaidTest.php` writes it
 * anew, and
 * the difference is read before it is kept.
 */
final class SaidTest extends TestCase
{
    private const FOLDER = __DIR__.'/said';

    /** @return iterable<string, array{string, callable(): array<string, mixed>}> */
    public static function cases(): iterable
    {
        yield 'networks' => ['networks', self::networks(...)];
        yield 'runs' => ['runs', self::runs(...)];
        yield 'demo' => ['demo', self::demo(...)];
        yield 'joints' => ['joints', self::joints(...)];
    }

    /** @param callable(): array<string, mixed> $say */
    #[DataProvider('cases')]
    public function testIsWhatStandsInTheFile(string $name, callable $say): void
    {
        $flags = JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR;
        $said = $say();
        array_walk_recursive($said, static function (mixed &$value): void {
            $value = is_float($value) ? round($value, 4) : $value;
        });
        $text = json_encode($said, $flags)."\n";
        $path = self::FOLDER."/{$name}.json";
        if (getenv('SAID') === 'write') {
            file_put_contents($path, $text);
        }
        self::assertSame(file_get_contents($path), $text);
    }

    /** @return array<string, mixed> the verdict that each case is about, and where it is raised */
    private static function networks(): array
    {
        $said = [];
        foreach (NetworkRulesTest::limits() as $name => [$rule, $breaks, $keeps]) {
            $runs = CaseJob::evaluation(CaseJob::of(...$breaks))['runs'];
            $said["{$name}, all"] = self::names($runs);
            $said["{$name}, on the other side"] = self::names(CaseJob::evaluation(CaseJob::of(...$keeps))['runs']);
            foreach ($runs as $run) {
                foreach ($run['findings'] as $finding) {
                    if ($finding['rule'] === $rule) {
                        $said[$name][] = ['run' => $run['id']] + self::short($finding);
                    }
                }
            }
        }

        return $said;
    }

    /**
     * @param list<array<string, mixed>> $runs
     * @return list<string> every verdict with its run
     */
    private static function names(array $runs): array
    {
        $names = [];
        foreach ($runs as $run) {
            foreach ($run['findings'] as $finding) {
                $names[] = "{$run['id']} {$finding['rule']}";
            }
        }

        return $names;
    }

    /** @return array<string, mixed> */
    private static function runs(): array
    {
        $said = [];
        foreach (RuleSetTest::cases() as $name => [$rulebook, $callOut, $with, $rule]) {
            $findings = array_filter(
                Fixtures::findings($callOut, $with, $rulebook),
                static fn (Finding $finding): bool => $finding->rule->value === $rule,
            );
            $said[$name] = array_map(self::short(...), FindingReport::list(array_values($findings), Units::Inch));
        }

        return $said;
    }

    public function testEveryVerdictOfARuleIsSaidOfSomeCase(): void
    {
        $raised = [];
        $folder = dirname(__DIR__, 2).'/src/Rules';
        foreach ([...(array) glob("{$folder}/*.php"), ...(array) glob("{$folder}/Network/*.php")] as $path) {
            preg_match_all('/RuleId::([A-Z]\w+)/', (string) file_get_contents((string) $path), $found);
            $raised = [...$raised, ...$found[1]];
        }
        $said = [];
        foreach (self::cases() as [$name]) {
            preg_match_all('/"rule": "([\w.]+)"/', (string) file_get_contents(self::FOLDER."/{$name}.json"), $found);
            $said = [...$said, ...$found[1]];
        }
        $names = array_map(
            static fn (string $case): string => constant(RuleId::class."::{$case}")->value,
            array_unique($raised),
        );
        self::assertGreaterThan(100, count($names));
        self::assertSame([], array_values(array_diff($names, $said)));
    }

    /** @return array<string, mixed> joints that are chosen and cannot be made, or not measured yet */
    private static function joints(): array
    {
        $text = (string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json');
        $demo = (new JobFile(Catalogue::shipped()))->parse($text);
        $said = [];
        $chosen = [
            ['clay-wash', 'solvent-pvc'],
            ['floor', 'hub-adapter'],
            ['floor', 'hub-gasket'],
            ['clay-wash', 'caulked'],
        ];
        foreach ($chosen as [$id, $method]) {
            $run = $demo->run($id) ?? self::fail("the demo has no run {$id}");
            $job = $demo->withRun($run->withEnds($run->outlet, $run->tieIn->joinedBy($method)));
            $said["{$id} by {$method}"] = self::ofRun($job, $id);
        }
        // Nothing joins them: iron under the ground that is no drain of any table.
        $document = (array) json_decode($text, true);
        foreach ($document['standing'] as $i => $pipe) {
            $document['standing'][$i] = ['od_mm' => 400.0] + $pipe;
        }
        $job = (new JobFile(Catalogue::shipped()))->read($document);
        $said['to pipe wider than any coupling takes'] = self::ofRun($job, 'clay-wash');

        // UK clay of a diameter that no sleeve here names.
        $weir = (array) json_decode(
            (string) file_get_contents(__DIR__.'/../../../database/demo/weir-cottage-office.json'),
            true,
        );
        foreach ($weir['standing'] as $i => $pipe) {
            if ($pipe['id'] === 'clay-drain') {
                $weir['standing'][$i]['od_mm'] = 150;
            }
        }
        $job = (new JobFile(Catalogue::shipped()))->read($weir);
        $said['to clay that no sleeve names'] = self::ofRun($job, 'drain');

        return $said;
    }

    /** @return list<array<string, mixed>> */
    private static function ofRun(Job $job, string $id): array
    {
        $evaluated = (new JobEvaluator(Catalogue::shipped()))->evaluate($job);

        return array_map(self::short(...), FindingReport::list($evaluated->findings($id), Units::Inch));
    }

    /** @return array<string, mixed> all that is said of every run of the demo */
    private static function demo(): array
    {
        $catalogue = Catalogue::shipped();
        $said = [];
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $name) {
            $text = (string) file_get_contents(__DIR__."/../../../database/demo/{$name}.json");
            $job = (new JobEvaluator($catalogue))->evaluate((new JobFile($catalogue))->parse($text));
            foreach ((new EvaluationReport($job))->toArray()['runs'] as $run) {
                $said[$name][$run['id']] = array_map(self::short(...), $run['findings']);
            }
        }

        return $said;
    }

    /**
     * @param array<string, mixed> $finding
     * @return array<string, mixed>
     */
    private static function short(array $finding): array
    {
        $source = $finding['source'];

        return array_intersect_key($finding, array_flip(['rule', 'severity', 'where', 'measured', 'limit'])) + [
            'says' => "{$finding['title']}: {$finding['why']} {$finding['remedy']}",
            'source' => $source === null ? null : "{$source['table']} {$source['row']}",
        ];
    }
}
