<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\OpenJob;
use App\Log\AppendToLog;
use App\Log\JobLog;
use App\Log\SiteEvent;
use App\Models\Job;
use App\Models\LogEntry;
use App\Models\User;
use App\People\Presence;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

use function Illuminate\Support\defer;

/**
 * What happened on site: appended, never edited.
 *
 * @phpstan-import-type There from Presence
 */
final readonly class LogController
{
    /** So many entries are taken at once. */
    private const AT_ONCE = 500;

    public function __construct(private AppendToLog $append, private OpenJob $open) {}

    /** What a page says of itself: its name, and the station that it shows. */
    private const HERE = 'Here';

    /** The entries after a number, the time by the clock of the server, and who else has the job open. */
    public function index(Request $request, string $id): JsonResponse
    {
        $query = Fields::of($request->query());
        $after = $query->has('after') ? $query->string('after', 10) : '0';
        if (! ctype_digit($after)) {
            throw BadInput::at('after', 'must be a whole number', $after);
        }
        $job = Job::asked($request, $id);

        $here = Presence::of($job, User::asking($request), $request->header(self::HERE));

        return self::answer($job, JobLog::after($job, (int) $after)->all(), $here);
    }

    public function store(Request $request, string $id): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $device = trim($body->string('device', 80));
        $events = array_map(SiteEvent::read(...), $body->children('entries', self::AT_ONCE));
        $body->end();
        $job = Job::asked($request, $id);
        $entries = $this->append->append($job, User::asking($request), $device, $events);
        if (array_filter($events, AppendToLog::isOnBoard(...)) !== []) {
            // Nobody waits for it; where the server ends before, it is made when that starts again.
            defer(fn () => $this->open->summarise($job));
        }

        return self::answer($job, $entries);
    }

    /**
     * @param array<int, LogEntry> $entries
     * @param list<There> $here
     */
    private static function answer(Job $job, array $entries, array $here = []): JsonResponse
    {
        return new JsonResponse([
            'entries' => array_values(array_map(JobLog::written(...), $entries)),
            'length' => Job::query()->findOrFail($job->id)->log_length,
            'here' => $here,
            'now' => Carbon::now('UTC')->format('Y-m-d\TH:i:s.v\Z'),
        ]);
    }
}
