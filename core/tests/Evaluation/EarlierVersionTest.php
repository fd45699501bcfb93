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
        foreach ($kept['evaluation'] as $field => $said) {
            self::assertEquals($said, $now[$field] ?? null, $field);
        }
        self::assertEqualsCanonicalizing(array_keys($kept['evaluation']), array_keys($now));
    }
}
