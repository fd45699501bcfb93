<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\OwnEntry;
use App\Models\Revision;
use App\Models\User;
use App\People\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use RuntimeException;
use Tests\Support\FreshTables;
use Tests\TestCase;
use Tests\TwoCrews;

final class MigrationsTest extends TestCase
{
    use FreshTables;
    use TwoCrews;

    public function testTheyGoDownAndUpAgainWhereNothingIsLost(): void
    {
        Artisan::call('migrate:rollback', ['--step' => 100]);
        self::assertSame(['migrations'], array_column(Schema::getTables(schema: DB::getDatabaseName()), 'name'));
        Artisan::call('migrate');
        self::assertTrue(Schema::hasColumns('jobs', ['summary', 'unreadable']));
    }

    public function testTheyRefuseToTakeJobsOrOwnNumbersWithThem(): void
    {
        $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated();
        $this->postJson('/api/catalogue/own', [
            'kind' => 'threshold',
            'entry' => ['rulebook' => 'ipc-2021', 'threshold' => 'fall.least.small', 'value' => 18],
        ])->assertCreated();
        $this->assertRefused('figures');
        $kept = Revision::query()->firstOrFail();
        $kept->update(Revision::whole((string) preg_replace('/,"figure":\d+/', '', $kept->text())));
        $kept = Revision::query()->firstOrFail();
        $this->assertRefused('packed');
        $kept->update(['document' => $kept->text()]);
        $this->assertRefused('own');
        OwnEntry::query()->delete();
        $this->assertRefused('jobs');
        self::assertSame(1, Job::query()->count());
        Job::query()->delete();
        Artisan::call('migrate');
    }

    public function testWhoWasInACrewBeforeThereWereRolesMayAsMuch(): void
    {
        $crew = $this->lead->crews()->firstOrFail();
        $ben = self::member($crew, 'ben', Role::Reader);
        Artisan::call('migrate:rollback', ['--path' => 'database/migrations/2026_12_01_000002_give_people_roles.php']);
        self::assertFalse(Schema::hasColumn('crew_user', 'role'));
        Artisan::call('migrate');
        $role = static fn (User $user): Role => $user->crews()->firstOrFail()->roleOfMember();
        self::assertSame([Role::Owner, Role::Lead], [$role($this->lead), $role($ben)]);
    }

    private function assertRefused(string $about): void
    {
        try {
            Artisan::call('migrate:rollback', ['--step' => 100]);
            self::fail('what people keep was taken out');
        } catch (RuntimeException $refused) {
            self::assertStringContainsString($about, $refused->getMessage());
        }
    }
}
