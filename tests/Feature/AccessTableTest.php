<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use App\Models\Invitation;
use App\Models\Job;
use App\Models\OwnEntry;
use App\Models\Share;
use App\Models\User;
use App\People\Membership;
use App\People\Role;
use App\People\SealedLink;
use Closure;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Routing\Route;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/**
 * Who gets what of every route: people of the crew in each role, somebody of another crew, somebody in none, somebody
 * who was taken out, somebody whose session ran out, and nobody at all. A route that is missing here fails.
 *
 * @phpstan-type Table array<string, array{array<string, int>|string,
 *     Closure(self, string, string): TestResponse<Response>}>
 */
final class AccessTableTest extends TestCase
{
    use RefreshDatabase;

    /** Of the crew, from the highest role to the lowest; then those who are not. */
    private const ROLES = ['owner', 'lead', 'plumber', 'apprentice', 'reader'];

    private const OTHERS = ['other', 'none', 'withdrawn'];

    private const UNKNOWN = ['expired', 'nobody'];

    private const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAA'.
        'AABJRU5ErkJggg==';

    /** The job was changed twice, and the second change undone. */
    private const HEAD = 4;

    /** @var array<string, User> */
    private array $people = [];

    private Crew $crew;

    private string $job;

    private string $token;

    private string $sharedToken;

    private string $hash;

    private int $invitation;

    private int $share;

    private int $entry;

    private int $person;

    protected function setUp(): void
    {
        parent::setUp();
        config(['people.sign_up' => 'open', 'operations.metrics_token' => 'the word']);
        Mail::fake();
        $this->crew = Crew::query()->create(['name' => 'Day crew']);
        foreach (self::ROLES as $role) {
            $this->people[$role] = self::member($this->crew, $role, Role::from($role));
        }
        $this->people['other'] = self::member(Crew::query()->create(['name' => 'Night crew']), 'other');
        $this->people['withdrawn'] = self::member($this->crew, 'withdrawn', Role::Lead);
        Membership::end($this->crew, $this->people['owner'], $this->people['withdrawn']);
        $this->people['none'] = User::query()->create([
            'name' => 'none',
            'email' => 'none@example.test',
            'password' => Hash::make('secret-none'),
        ]);
        $this->person = self::member($this->crew, 'somebody', Role::Plumber)->id;
        $this->actingAs($this->people['owner']);
        $made = $this->postJson('/api/jobs', ['document' => self::annexe()])->assertCreated();
        $this->job = (string) $made->json('id');
        $edit = ['document' => self::annexe(), 'gesture' => 'edit'];
        foreach (['Moved', 'Moved again'] as $n => $place) {
            $edit['document']['place'] = $place;
            $this->putJson("/api/jobs/{$this->job}", $edit + ['from' => $n + 1])->assertOk();
        }
        $this->postJson("/api/jobs/{$this->job}/undo", ['from' => 3])->assertOk();
        $this->hash = (string) $this->picture("/api/jobs/{$this->job}/photographs")->assertCreated()->json('hash');
        $asked = $this->postJson("/api/crews/{$this->crew->id}/invitations", ['for' => 'Ben'])->assertCreated();
        $this->token = basename((string) $asked->json('link'));
        $this->invitation = (int) $asked->json('invitation.id');
        $shared = $this->postJson("/api/jobs/{$this->job}/shares", ['for' => 'inspector', 'days' => 7]);
        $this->sharedToken = basename((string) $shared->assertCreated()->json('link'));
        $this->share = (int) $shared->json('share.id');
        $this->postJson('/api/catalogue/own', self::ownNumber())->assertCreated();
        $this->entry = OwnEntry::query()->firstOrFail()->id;
        $this->app['auth']->forgetGuards();
    }

    public function testEveryRouteStandsInTheTableAndNoOther(): void
    {
        $routed = collect(Routes::getRoutes()->getRoutes())
            ->flatMap(
                static fn (Route $route): array => array_map(
                    static fn (string $method): string => "{$method} {$route->uri()}",
                    array_diff($route->methods(), ['HEAD']),
                ),
            )
            ->all();
        $listed = array_keys(self::table());
        sort($routed);
        sort($listed);
        self::assertSame($routed, $listed);
    }

    /** @return iterable<string, array{string}> */
    public static function routes(): iterable
    {
        foreach (array_keys(self::table()) as $route) {
            yield $route => [$route];
        }
    }

    #[DataProvider('routes')]
    public function testWhoGetsWhat(string $route): void
    {
        [$expected, $ask] = self::table()[$route];
        foreach (self::expectations($expected) as $who => $status) {
            DB::beginTransaction();
            $answer = $this->as($who, fn (): TestResponse => $ask($this, $this->filled($route), $who));
            DB::rollBack();
            $said = $answer->getStatusCode() >= 400 ? substr((string) $answer->getContent(), 0, 300) : '';
            $got = intdiv($answer->getStatusCode(), 100) === 2 ? 200 : $answer->getStatusCode();
            self::assertSame($status, $got, "{$route} as {$who}: {$said}");
            if ($status !== 200) {
                self::assertStringNotContainsString('Annexe', (string) $answer->getContent());
            }
        }
    }

    public function testLinksThatAreOldWithdrawnOrForgedOpenNothing(): void
    {
        $signUp = $this->letter();
        $forged = substr_replace($signUp, $signUp[90] === 'a' ? 'b' : 'a', 90, 1);
        $ofAnotherKind = SealedLink::of('address', 24, ['email' => 'new@example.test']);
        $links = [
            'invitations' => "/api/invitations/{$this->token}",
            'shared' => "/api/shared/{$this->sharedToken}",
            'picture' => "/api/shared/{$this->sharedToken}/photographs/{$this->hash}",
        ];
        foreach ($links as $link) {
            $this->getJson($link)->assertOk();
        }
        $account = ['name' => 'New', 'password' => 'long enough', 'crew' => 'Mine'];
        $this->postJson("/api/entrance/sign-up/{$forged}", $account)->assertNotFound();
        $this->postJson("/api/entrance/sign-up/{$ofAnotherKind}", $account)->assertNotFound();
        // The letter to another address of somebody opens for nobody else.
        $this->actingAs($this->people['other'])
            ->putJson("/api/account/address/{$this->toMove('owner')}")
            ->assertNotFound();
        $this->app['auth']->forgetGuards();
        $this->travel(366)->days();
        foreach ($links as $link) {
            $this->getJson($link)->assertNotFound();
        }
        $this->postJson("/api/entrance/sign-up/{$signUp}", $account)->assertNotFound();
        $this->travelBack();
        Share::query()->whereKey($this->share)->update(['withdrawn_at' => Carbon::now()]);
        Invitation::query()->whereKey($this->invitation)->update(['withdrawn_at' => Carbon::now()]);
        foreach ($links as $link) {
            $this->getJson($link)->assertNotFound();
        }
    }

    public function testWhoIsTakenOutGetsNothingFromThatMomentOn(): void
    {
        $plumber = $this->people['plumber'];
        $this->actingAs($plumber)
            ->getJson("/api/jobs/{$this->job}")
            ->assertOk();
        $this->actingAs($this->people['owner'])
            ->deleteJson("/api/crews/{$this->crew->id}/people/{$plumber->id}")
            ->assertNoContent();
        $this->actingAs($plumber->fresh() ?? $plumber)
            ->getJson("/api/jobs/{$this->job}")
            ->assertNotFound();
    }

    /** Headers that a stranger may send of themselves change nothing. */
    public function testForgedHeadersOpenNothing(): void
    {
        $forged = [
            'X-Forwarded-For' => '127.0.0.1',
            'X-Original-URL' => "/api/jobs/{$this->job}",
            'X-HTTP-Method-Override' => 'GET',
            'X-User' => 'owner@example.test',
            'Authorization' => 'Bearer the word',
            'Cookie' => 'fall-bend-session=owner',
        ];
        foreach (['/api/jobs', "/api/jobs/{$this->job}", '/api/session'] as $path) {
            $this->getJson($path, $forged)->assertUnauthorized();
        }
        $this->actingAs($this->people['other'])
            ->getJson("/api/jobs/{$this->job}", $forged)
            ->assertNotFound();
    }

    /**
     * Gives what everybody gets, by who they are: 200 for anything that is done.
     *
     * @param array<string, int>|string $expected statuses by who asks, or a line of the table
     * @return array<string, int>
     */
    private static function expectations(array|string $expected): array
    {
        if (is_array($expected)) {
            return $expected;
        }
        $all = [...self::ROLES, ...self::OTHERS, ...self::UNKNOWN];
        if ($expected === 'everybody') {
            return array_fill_keys($all, 200);
        }
        $unknown = array_fill_keys(self::UNKNOWN, 401);
        if ($expected === 'signed in') {
            return array_fill_keys([...self::ROLES, ...self::OTHERS], 200) + $unknown;
        }
        [$least, $of] = explode(' of the ', $expected);
        $lowest = (int) array_search($least, self::ROLES, true);
        $given = [];
        foreach (self::ROLES as $rank => $role) {
            $given[$role] = $rank <= $lowest ? 200 : 403;
        }
        // In a crew of their own others may do what it is about; in none nobody does.
        $others = $of === 'own crew' ? ['other' => 200, 'none' => 403, 'withdrawn' => 403] : [];

        return $given + $others + array_fill_keys(self::OTHERS, 404) + $unknown;
    }

    /**
     * The table. Of each route: who gets it, and how it is asked. `reader of the job`: whoever is at least a reader in
     * the crew of the job that the address or the body names; of `the crew` that it names; of their `own crew`.
     *
     * @return Table
     */
    private static function table(): array
    {
        return self::doors() + self::accounts() + self::crews() + self::jobs() + self::numbers() + self::questions();
    }

    /** @return Table */
    private static function doors(): array
    {
        $all = [...self::ROLES, ...self::OTHERS, ...self::UNKNOWN];
        $get = static fn (self $test, string $at): TestResponse => $test->getJson($at);
        $person = ['name' => 'New', 'email' => 'new@example.test', 'password' => 'long enough', 'crew' => 'Mine'];
        $reset = ['email' => 'owner@example.test', 'token' => 'guessed', 'password' => 'long enough'];

        return [
            'GET {any?}' => ['everybody', static fn (self $test): TestResponse => $test->get('/')],
            'GET worker.js' => ['everybody', $get],
            'GET health/live' => ['everybody', $get],
            'GET health/ready' => ['everybody', $get],
            'GET metrics' => [array_fill_keys($all, 404), $get],
            'GET metrics/heavy' => [array_fill_keys($all, 404), $get],
            'GET api/entrance' => ['everybody', $get],
            'POST api/entrance/first' => [array_fill_keys($all, 409), self::posting($person)],
            'POST api/entrance/forgotten' => ['everybody', self::posting(['email' => 'owner@example.test'])],
            'POST api/entrance/reset' => [array_fill_keys($all, 422), self::posting($reset)],
            'POST api/entrance/sign-up' => ['everybody', self::posting(['email' => 'new@example.test'])],
            'POST api/entrance/sign-up/{letter}' => [
                'everybody',
                static fn (self $test): TestResponse => $test->postJson(
                    "/api/entrance/sign-up/{$test->letter()}",
                    $person,
                ),
            ],
            'POST api/session' => [
                'everybody',
                self::posting(['email' => 'owner@example.test', 'password' => 'secret-owner']),
            ],
            'GET api/invitations/{token}' => ['everybody', $get],
            'POST api/invitations/{token}' => ['everybody', self::posting($person)],
            'GET api/shared/{token}' => ['everybody', $get],
            'GET api/shared/{token}/photographs/{hash}' => ['everybody', $get],
        ];
    }

    /** @return Table */
    private static function accounts(): array
    {
        $get = static fn (self $test, string $at): TestResponse => $test->getJson($at);
        $own = static fn (string $who): array => ['current' => "secret-{$who}"];
        $wrongCode = ['owner' => 422, 'other' => 422, 'none' => 422, 'expired' => 401, 'nobody' => 401];

        return [
            'GET api/session' => ['signed in', $get],
            'DELETE api/session' => ['signed in', static fn (self $test, string $at) => $test->deleteJson($at)],
            'PUT api/account' => ['signed in', self::putting(['name' => 'Other'])],
            'PUT api/account/password' => [
                'signed in',
                static fn (self $test, string $at, string $who): TestResponse => $test->putJson(
                    $at,
                    $own($who) + ['password' => 'another long one'],
                ),
            ],
            'POST api/account/address' => [
                'signed in',
                static fn (self $test, string $at, string $who): TestResponse => $test->postJson(
                    $at,
                    $own($who) + ['email' => 'elsewhere@example.test'],
                ),
            ],
            'PUT api/account/address/{letter}' => [
                'signed in',
                static fn (self $test, string $at, string $who): TestResponse => $test->putJson(
                    "/api/account/address/{$test->toMove($who)}",
                ),
            ],
            'POST api/account/second-factor' => [
                'signed in',
                static fn (self $test, string $at, string $who): TestResponse => $test->postJson($at, $own($who)),
            ],
            'PUT api/account/second-factor' => [$wrongCode, self::putting(['code' => '000000'])],
            'DELETE api/account/second-factor' => [
                'signed in',
                static fn (self $test, string $at, string $who): TestResponse => $test->deleteJson($at, $own($who)),
            ],
            'GET api/account/audit' => ['signed in', $get],
            'GET api/account/devices' => ['signed in', $get],
            'DELETE api/account/devices' => ['signed in', static fn (self $test, string $at) => $test->deleteJson($at)],
        ];
    }

    /** @return Table */
    private static function crews(): array
    {
        $get = static fn (self $test, string $at): TestResponse => $test->getJson($at);
        $delete = static fn (self $test, string $at): TestResponse => $test->deleteJson($at);

        return [
            'POST api/crews' => ['signed in', self::posting(['name' => 'Another'])],
            'GET api/crews/{crew}' => ['reader of the crew', $get],
            'PUT api/crews/{crew}' => ['owner of the crew', self::putting(['name' => 'Renamed'])],
            'POST api/crews/{crew}/choose' => ['reader of the crew', self::posting([])],
            'POST api/crews/{crew}/invitations' => ['lead of the crew', self::posting(['for' => 'Cyd'])],
            'DELETE api/crews/{crew}/invitations/{invitation}' => ['lead of the crew', $delete],
            'GET api/crews/{crew}/audit' => ['owner of the crew', $get],
            'PUT api/crews/{crew}/people/{person}' => ['owner of the crew', self::putting(['role' => 'reader'])],
            'DELETE api/crews/{crew}/people/{person}' => ['owner of the crew', $delete],
            // The only owner stays.
            'DELETE api/crews/{crew}/membership' => [
                ['owner' => 422] + self::expectations('reader of the crew'),
                $delete,
            ],
            'GET api/status' => ['owner of the own crew', $get],
        ];
    }

    /** @return Table */
    private static function jobs(): array
    {
        $get = static fn (self $test, string $at): TestResponse => $test->getJson($at);
        $delete = static fn (self $test, string $at): TestResponse => $test->deleteJson($at);
        $document = ['document' => self::annexe()];
        $edit = ['document' => ['place' => 'Moved'] + $document['document'], 'from' => self::HEAD, 'gesture' => 'edit'];
        $entry = [
            'device' => 'Phone',
            'entries' => [
                [
                    'kind' => 'note',
                    'note' => 'Seen',
                    'key' => str_repeat('k', 20),
                    'made_at' => '2026-11-25T10:00:00Z',
                    'age_s' => 0,
                ],
            ],
        ];

        return [
            'GET api/jobs' => ['signed in', $get],
            'POST api/jobs' => ['apprentice of the own crew', self::posting($document)],
            'POST api/jobs/import' => [
                'apprentice of the own crew',
                self::posting(['text' => (string) json_encode($document['document'])]),
            ],
            'GET api/jobs/{id}' => ['reader of the job', $get],
            'PUT api/jobs/{id}' => ['apprentice of the job', self::putting($edit)],
            'DELETE api/jobs/{id}' => ['plumber of the job', $delete],
            'POST api/jobs/{id}/archive' => ['plumber of the job', self::posting([])],
            'POST api/jobs/{id}/put-back' => ['plumber of the job', self::posting([])],
            'POST api/jobs/{id}/copy' => ['apprentice of the job', self::posting(['name' => 'Copy'])],
            'PUT api/jobs/{id}/project' => ['apprentice of the job', self::putting(['project' => 'Site'])],
            'POST api/jobs/{id}/undo' => ['apprentice of the job', self::posting(['from' => self::HEAD])],
            'POST api/jobs/{id}/redo' => ['apprentice of the job', self::posting(['from' => self::HEAD])],
            'POST api/jobs/{id}/back' => ['apprentice of the job', self::posting(['from' => self::HEAD, 'to' => 1])],
            'GET api/jobs/{id}/file' => ['reader of the job', $get],
            'GET api/jobs/{id}/raw' => ['reader of the job', $get],
            'GET api/jobs/{id}/log' => ['reader of the job', $get],
            'POST api/jobs/{id}/log' => ['apprentice of the job', self::posting($entry)],
            'GET api/jobs/{id}/shares' => ['reader of the job', $get],
            'POST api/jobs/{id}/shares' => ['lead of the job', self::posting(['for' => 'inspector', 'days' => 7])],
            'DELETE api/jobs/{id}/shares/{share}' => ['lead of the job', $delete],
            'POST api/jobs/{id}/photographs' => [
                'apprentice of the job',
                static fn (self $test, string $at): TestResponse => $test->picture($at),
            ],
            'GET api/jobs/{id}/photographs/{hash}' => ['reader of the job', $get],
        ];
    }

    /** @return Table */
    private static function numbers(): array
    {
        $get = static fn (self $test, string $at): TestResponse => $test->getJson($at);
        $delete = static fn (self $test, string $at): TestResponse => $test->deleteJson($at);
        // What is not of their crew others do not find.
        $taken = ['other' => 404] + self::expectations('lead of the own crew');
        $notThere = ['owner' => 404, 'lead' => 404] + $taken;

        return [
            'GET api/choices' => ['signed in', $get],
            'GET api/starts' => ['signed in', $get],
            'GET api/how-to' => ['signed in', $get],
            'GET api/catalogue' => [
                'signed in',
                static fn (self $test): TestResponse => $test->getJson('/api/catalogue?kind=traps'),
            ],
            'GET api/catalogue/own' => ['signed in', $get],
            'POST api/catalogue/own' => ['lead of the own crew', self::posting(self::ownNumber())],
            'DELETE api/catalogue/own/{entry}' => [$taken, $delete],
            'GET api/amendments' => ['signed in', $get],
            'PUT api/amendments' => [
                'lead of the own crew',
                self::putting([
                    'name' => 'Millbrook',
                    'rulebook' => 'upc-2021',
                    'said_by' => 'the building office',
                    'said_on' => '2026-11-20',
                    'rows' => [['threshold' => 'vent.above-roof', 'value' => 600]],
                ]),
            ],
            'DELETE api/amendments/{entry}' => [$notThere, $delete],
            'GET api/prices' => ['signed in', $get],
            'PUT api/prices' => ['lead of the own crew', self::putting(['prices' => [], 'sticks' => []])],
            'DELETE api/prices/{entry}' => [$notThere, $delete],
        ];
    }

    /** @return Table */
    private static function questions(): array
    {
        $document = self::annexe();
        $run = 's';
        $day = ['run' => $run, 'people' => 1, 'start' => '2026-11-25T08:00:00+01:00'];
        $of = static fn (array $more): array => [
            'reader of the job',
            static fn (self $test, string $at): TestResponse => $test->postJson(
                $at,
                ['job' => $test->job, 'document' => $document] + $more,
            ),
        ];

        return [
            'POST api/evaluate' => $of([]),
            'POST api/record' => $of([]),
            'POST api/record/file' => $of(['format' => 'csv']),
            'POST api/joint' => $of(['run' => $run, 'joint' => 'tie-in']),
            'POST api/joints' => $of(['run' => $run]),
            'POST api/repeat' => $of(['run' => $run, 'step_mm' => 500, 'times' => 1]),
            'POST api/order' => $of(['run' => $run]),
            'POST api/day' => $of($day),
            'POST api/day/calendar' => $of($day),
            'POST api/test' => $of(['run' => $run, 'stage' => 'rough-in']),
            'POST api/joined' => $of(['run' => $run]),
            'POST api/cut' => $of(['run' => $run]),
            'POST api/ticket' => $of(['run' => $run, 'on' => '2026-11-25']),
            'POST api/books' => $of(['rulebook' => 'irc-2021']),
            'POST api/materials' => $of([]),
            'POST api/drawing' => $of(['run' => $run, 'format' => 'dxf', 'view' => 'plan']),
            'POST api/csv' => $of(['list' => 'materials']),
            'POST api/hang' => $of(['run' => $run]),
            'POST api/wrap' => $of(['run' => $run, 'format' => 'pdf']),
            'POST api/make-up' => $of(['run' => $run, 'from_leg' => 'l1', 'to' => ['leg' => 'l2']]),
            'GET api/books/{book}' => ['signed in', static fn (self $test) => $test->getJson('/api/books/ipc-2021')],
            'POST api/lengths' => ['signed in', self::posting(['texts' => ['3'], 'units' => 'inch'])],
            'POST api/reckon/{name}' => [
                'signed in',
                static fn (self $test): TestResponse => $test->postJson(
                    '/api/reckon/fall',
                    ['length_mm' => 1000, 'drop_mm' => 20],
                ),
            ],
            'POST api/starts/{start}' => [
                'signed in',
                static fn (self $test): TestResponse => $test->postJson(
                    '/api/starts/iron-out',
                    ['values' => ['gap' => '74'], 'name' => 'New', 'rulebook' => 'upc-2021'],
                ),
            ],
            'POST api/how-to/{howTo}' => [
                'signed in',
                static fn (self $test): TestResponse => $test->postJson(
                    '/api/how-to/bedding',
                    ['values' => ['cover' => '900'], 'units' => 'mm'],
                ),
            ],
            'DELETE api/questions/{key}' => [
                'signed in',
                static fn (self $test): TestResponse => $test->deleteJson('/api/questions/'.str_repeat('q', 20)),
            ],
        ];
    }

    /** The address of a route, with what it names filled in. */
    private function filled(string $route): string
    {
        $named = [
            'id' => $this->job,
            'crew' => $this->crew->id,
            'token' => str_contains($route, 'shared') ? $this->sharedToken : $this->token,
            'hash' => $this->hash,
            'invitation' => $this->invitation,
            'share' => $this->share,
            'entry' => $this->entry,
            'person' => $this->person,
        ];
        $filled = static fn (array $found): string => (string) ($named[$found[1]] ?? '');

        return '/'.preg_replace_callback('/\{(\w+)\}/', $filled, explode(' ', $route)[1]);
    }

    /**
     * Asks as somebody.
     *
     * @param Closure(): TestResponse<Response> $ask
     * @return TestResponse<Response>
     */
    private function as(string $who, Closure $ask): TestResponse
    {
        $this->newRequest();
        $this->defaultCookies = [];
        if ($who === 'expired') {
            $this->signInAndForget();
        } elseif ($who !== 'nobody') {
            $this->actingAs($this->people[$who]->fresh() ?? $this->people[$who]);
        }

        return $ask();
    }

    /** The application forgets who asked, as a server does that answers each request anew. */
    private function newRequest(): void
    {
        $this->app['auth']->forgetGuards();
        $this->app['session']->forgetDrivers();
        $this->app->forgetInstance('session.store');
    }

    /** A session of the owner that was not used for longer than it lasts. */
    private function signInAndForget(): void
    {
        $given = ['email' => 'owner@example.test', 'password' => 'secret-owner'];
        $this->postJson('/api/session', $given)->assertOk();
        $id = $this->app['session']->getId();
        $this->newRequest();
        $this->withCredentials()->withCookie('fall-bend-session', $id);
        $this->getJson('/api/session')->assertOk();
        $this->newRequest();
        DB::table('sessions')->where('id', $id)->update(['last_activity' => 1]);
    }

    /** @return TestResponse<Response> */
    private function picture(string $at): TestResponse
    {
        $server = ['HTTP_ACCEPT' => 'application/json'];

        return $this->call('POST', $at, server: $server, content: base64_decode(self::PNG));
    }

    /**
     * A small job. The table is made before there is an application.
     *
     * @return array<string, mixed>
     */
    private static function annexe(): array
    {
        $text = (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/ferry-lane-annexe.json');
        /** @var array<string, mixed> $document */
        $document = json_decode($text, true, 64, JSON_THROW_ON_ERROR);

        return $document;
    }

    /** What stands in the link of a letter to somebody who asked for an account. */
    private function letter(): string
    {
        return SealedLink::of('sign-up', 24, ['email' => 'new@example.test']);
    }

    /** What stands in a letter to another address of somebody. */
    private function toMove(string $who): string
    {
        $of = $this->people[$who] ?? $this->people['owner'];
        $said = ['user' => $of->id, 'from' => $of->email, 'to' => 'elsewhere@example.test'];

        return SealedLink::of('address', 24, $said);
    }

    /** @return array<string, mixed> */
    private static function ownNumber(): array
    {
        $entry = ['table' => 'pvc-dwv-40', 'row' => 'quarter/2', 'field' => 'take_off_mm', 'value' => 57.15];

        return ['kind' => 'number', 'entry' => $entry + ['source' => '3 of 3']];
    }

    /** @param array<string, mixed> $body */
    private static function posting(array $body): Closure
    {
        return static fn (self $test, string $at): TestResponse => $test->postJson($at, $body);
    }

    /** @param array<string, mixed> $body */
    private static function putting(array $body): Closure
    {
        return static fn (self $test, string $at): TestResponse => $test->putJson($at, $body);
    }
}
