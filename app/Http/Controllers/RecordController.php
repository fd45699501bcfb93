<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EvaluateJob;
use App\Files\RecordCsv;
use App\Log\JobLog;
use App\Log\SiteZone;
use App\Models\Job;
use App\Models\Photograph;
use App\Models\User;
use App\Print\QrSquares;
use App\Print\RecordPdf;
use FallBend\Core\Drawing\GeoJson;
use FallBend\Core\Drawing\LineDrawing;
use FallBend\Core\Drawing\RunViews;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use FallBend\Core\Recording\JobRecord;
use FallBend\Core\Site\SiteLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The record of a job: what stands, who made it, what was tested, who stands for it; on a screen and as files.
 *
 * @phpstan-import-type WrittenRecord from JobRecord
 */
final readonly class RecordController
{
    private const SIDES = ['from above' => 'plan', 'along its length' => 'section', 'isometric' => 'isometric'];

    /** Pieces, fittings and joints of a job up to which its runs are drawn from every side: some 35 MB of paper. */
    private const MOST_DRAWN = 4_000;

    /** And up to which they are drawn isometric. */
    private const MOST_ISOMETRIC = 12_000;

    public function __construct(private EvaluateJob $evaluate) {}

    public function show(Request $request): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$job, $log, $document] = $this->asked($request, $body);
        $body->end();

        return new JsonResponse($job->record($log)->toArray($document));
    }

    /** The record as a file: on paper, its joints as a table, its pipes on a map. */
    public function file(Request $request): Response
    {
        $body = Fields::of($request->json()->all());
        [$job, $log, $document] = $this->asked($request, $body);
        $format = $body->choice('format', ['pdf', 'csv', 'geojson']);
        $origin = $body->childOrNull('origin');
        $at = $origin === null ? null : [$origin->number('lon', -180, 180), $origin->number('lat', -85, 85)];
        $origin?->end();
        $link = $body->has('link') ? $body->string('link', 300) : '';
        $squares = $body->has('squares') ? QrSquares::read($body) : null;
        $kept = $body->string('job', 40);
        $body->end();
        $record = $job->record($log)->toArray($document);

        return match ($format) {
            'csv' => self::response(RecordCsv::write($record), 'text/csv; charset=UTF-8'),
            'geojson' => self::response(GeoJson::write($job->layout(), $at), 'application/geo+json'),
            default => self::response(self::paper($job, $record, $kept, [$link, $squares]), 'application/pdf'),
        };
    }

    /**
     * @param WrittenRecord $record
     * @param string $kept id of the job
     * @param array{string, ?QrSquares} $link by which the record is read, and the same for a camera
     */
    private static function paper(EvaluatedJob $job, array $record, string $kept, array $link): string
    {
        $sides = self::sides($job);

        return RecordPdf::print(
            $record,
            self::drawings($job, $sides),
            $job->job()->units === Units::Inch ? 'LETTER' : 'A4',
            $link[0],
            $link[1],
            static fn (string $hash): ?string => Photograph::bytesOf($kept, $hash),
            $sides === self::SIDES ? '' : self::undrawn($sides),
        );
    }

    /** @return array{EvaluatedJob, SiteLog, string} the job, its log, and the hash of its document as it is kept */
    private function asked(Request $request, Fields $body): array
    {
        $zone = SiteZone::read($body);
        $kept = Job::withNewest(User::asking($request)->id, $body->string('job', 40));

        return [
            $this->evaluate->evaluated($request, $body),
            JobLog::siteLog($kept)->in($zone),
            hash('sha256', $kept->newest()->text()),
        ];
    }

    /** @param array<string, string> $sides */
    private static function undrawn(array $sides): string
    {
        $what = $sides === []
            ? 'Of a job of this size no run is drawn here'
            : 'Runs of a job of this size are drawn isometric only';

        return "{$what}: each is drawn from every side from Cut, as PDF, DXF or SVG.";
    }

    /** @return array<string, string> from which sides runs are drawn, as far as a worker holds the paper */
    private static function sides(EvaluatedJob $job): array
    {
        $parts = 0;
        foreach ($job->layout()->runs as $layout) {
            $parts += count($layout->pieces) + count($layout->fittings) + count($layout->joints);
        }

        return match (true) {
            $parts <= self::MOST_DRAWN => self::SIDES,
            $parts <= self::MOST_ISOMETRIC => ['isometric' => 'isometric'],
            default => [],
        };
    }

    /**
     * @param array<string, string> $sides
     * @return iterable<string, LineDrawing> each run that has pipe, by its name and the side
     */
    private static function drawings(EvaluatedJob $job, array $sides): iterable
    {
        foreach ($job->layout()->runs as $layout) {
            $views = new RunViews($layout);
            foreach ($layout->pieces === [] ? [] : $sides as $side => $view) {
                yield "{$layout->run->name}, {$side}" => $views->drawing($view);
            }
        }
    }

    private static function response(string $content, string $type): Response
    {
        return new Response($content, 200, ['Content-Type' => $type]);
    }
}
