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
use FallBend\Core\Site\SiteLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The record of a job: what stands, who made it, what was tested, who stands for it; on a screen and as files. */
final readonly class RecordController
{
    private const SIDES = ['from above' => 'plan', 'along its length' => 'section', 'isometric' => 'isometric'];

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
            default => self::response(
                RecordPdf::print(
                    $record,
                    self::drawings($job),
                    $job->job()->units === Units::Inch ? 'LETTER' : 'A4',
                    $link,
                    $squares,
                    static fn (string $hash): ?string => Photograph::bytesOf($kept, $hash),
                ),
                'application/pdf',
            ),
        };
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

    /** @return iterable<string, LineDrawing> each run that has pipe, from every side, by its name and the side */
    private static function drawings(EvaluatedJob $job): iterable
    {
        foreach ($job->layout()->runs as $layout) {
            $views = new RunViews($layout);
            foreach ($layout->pieces === [] ? [] : self::SIDES as $side => $view) {
                yield "{$layout->run->name}, {$side}" => $views->drawing($view);
            }
        }
    }

    private static function response(string $content, string $type): Response
    {
        return new Response($content, 200, ['Content-Type' => $type]);
    }
}
