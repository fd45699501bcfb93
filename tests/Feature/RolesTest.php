<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AuditEntry;
use App\Models\Crew;
use App\Models\Invitation;
use App\People\Ability;
use App\People\Role;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use RuntimeException;
use Tests\TestCase;
use Tests\TwoCrews;

/** Roles in a crew, who gives and takes them, and what is noted of it. */
final class RolesTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    private Crew $crew;

    protected function setUp(): void
    {
        parent::setUp();
        $this->crew = $this->lead->crews()->firstOrFail();
    }

    public function testEachRoleMayWhatTheOnesBelowItMay(): void
    {
        $ranked = Role::cases();
        foreach (Ability::cases() as $what) {
            $may = array_map(static fn (Role $role): bool => $role->may($what), $ranked);
            $sorted = $may;
            rsort($sorted);
            self::assertSame($sorted, $may, $what->value);
            self::assertTrue($may[0], "an owner may {$what->value}");
            self::assertFalse(Role::Reader->may($what), "a reader may not {$what->value}");
        }
    }

    public function testAnOwnerGivesRolesAndHandsOver(): void
    {
        $ben = self::member($this->crew, 'ben', Role::Plumber);
        $people = "/api/crews/{$this->crew->id}/people";
        $this->actingAs($this->lead)
            ->putJson("{$people}/{$ben->id}", ['role' => 'king'])
            ->assertStatus(422);
        // The only owner neither steps down nor leaves.
        $this->putJson("{$people}/{$this->lead->id}", ['role' => 'reader'])
            ->assertStatus(422)
            ->assertJsonPath('errors.role.0', 'is the only owner of this crew: make somebody else an owner first');
        $this->deleteJson("/api/crews/{$this->crew->id}/membership")->assertStatus(422);
        $this->deleteJson("{$people}/{$this->lead->id}")->assertStatus(422);
        $this->putJson("{$people}/{$ben->id}", ['role' => 'owner'])->assertNoContent();
        $this->putJson("{$people}/{$this->lead->id}", ['role' => 'reader'])->assertNoContent();
        $roles = fn (): array => array_column(
            (array) $this->getJson("/api/crews/{$this->crew->id}")->json('people'),
            'role',
            'name',
        );
        self::assertSame(['ben' => 'owner', 'lead' => 'reader'], $roles());
        $this->getJson('/api/session')->assertJsonPath('crews.0.role', 'reader');
        $this->deleteJson("/api/crews/{$this->crew->id}/membership")->assertOk()->assertJsonPath('crews', []);
        $this->getJson("/api/crews/{$this->crew->id}")->assertNotFound();
        $acts = $this->actingAs($ben)
            ->getJson("/api/crews/{$this->crew->id}/audit")
            ->assertOk();
        self::assertShape('AuditEntry', (string) json_encode($acts->json('entries.0')));
        self::assertSame(
            [['left', 'lead'], ['role', 'lead'], ['role', 'ben']],
            array_map(
                static fn (array $one): array => [$one['act'], $one['about']['person']],
                (array) $acts->json('entries'),
            ),
        );
        // It goes on page by page.
        $last = $acts->json('entries.1.id');
        $older = $this->getJson("/api/crews/{$this->crew->id}/audit?before={$last}");
        self::assertCount(1, (array) $older->json('entries'));
        $this->getJson("/api/crews/{$this->crew->id}/audit?before=x")->assertStatus(422);
    }

    public function testAnInvitationGivesTheRoleThatItNamesAndNoHigherThanTheInviters(): void
    {
        $lead = self::member($this->crew, 'ben', Role::Lead);
        $at = "/api/crews/{$this->crew->id}/invitations";
        $this->actingAs($lead)
            ->postJson($at, ['for' => 'Cyd', 'role' => 'owner'])
            ->assertStatus(422)
            ->assertJsonPath('errors.role.0', 'must be a role up to your own');
        $asked = $this->postJson($at, ['for' => 'Cyd', 'role' => 'reader'])
            ->assertCreated()
            ->assertJsonPath('invitation.role', 'reader');
        $link = '/api/invitations/'.basename((string) $asked->json('link'));
        $this->actingAs($this->stranger)
            ->getJson($link)
            ->assertJsonPath('role', 'reader');
        $this->postJson($link)->assertOk();
        $role = $this->stranger->crews()->findOrFail($this->crew->id)->roleOfMember();
        self::assertSame(Role::Reader, $role);
    }

    public function testAnInvitationDoesNotChangeTheRoleOfWhoIsInAlready(): void
    {
        $this->actingAs($this->lead);
        $asked = $this->postJson("/api/crews/{$this->crew->id}/invitations", ['for' => 'me', 'role' => 'reader']);
        $this->postJson('/api/invitations/'.basename((string) $asked->json('link')))->assertOk();
        $this->getJson('/api/session')->assertJsonPath('crews.0.role', 'owner');
    }

    public function testInvitationsOfWhoIsTakenOutOpenNothing(): void
    {
        $ben = self::member($this->crew, 'ben', Role::Lead);
        $asked = $this->actingAs($ben)->postJson("/api/crews/{$this->crew->id}/invitations", ['for' => 'Cyd']);
        $this->actingAs($this->lead)
            ->deleteJson("/api/crews/{$this->crew->id}/people/{$ben->id}")
            ->assertNoContent();
        self::assertSame('withdrawn', Invitation::query()->findOrFail((int) $asked->json('invitation.id'))->state());
        $this->getJson('/api/invitations/'.basename((string) $asked->json('link')))->assertNotFound();
    }

    public function testWhatCannotBeNotedIsNotDone(): void
    {
        [$job] = $this->demoJob();
        $shared = $this->postJson("/api/jobs/{$job}/shares", ['for' => 'the inspector', 'days' => 7])->assertCreated();
        $share = (int) $shared->json('share.id');
        $password = ['current' => 'not-a-secret', 'password' => 'another-secret'];
        $this->lead->forceFill(['password' => Hash::make('not-a-secret')])->save();
        $before = $this->stateOf($job);
        AuditEntry::creating(static fn () => throw new RuntimeException('there is no room for it'));
        foreach ([
            ['POST', "/api/jobs/{$job}/archive", []],
            ['DELETE', "/api/jobs/{$job}", []],
            ['POST', "/api/jobs/{$job}/shares", ['for' => 'somebody else', 'days' => 7]],
            ['DELETE', "/api/jobs/{$job}/shares/{$share}", []],
            ['PUT', '/api/account/password', $password],
        ] as [$method, $path, $body]) {
            $this->json($method, $path, $body)->assertStatus(500);
            self::assertSame($before, $this->stateOf($job), "{$method} {$path}");
        }
    }

    public function testAReaderIsToldWhoMayAndNothingIsKept(): void
    {
        [$job, $document] = $this->demoJob();
        $this->actingAs(self::member($this->crew, 'rea', Role::Reader));
        $this->getJson("/api/jobs/{$job}")->assertOk()->assertJsonPath('revision', 1);
        $this->putJson("/api/jobs/{$job}", ['document' => $document, 'from' => 1, 'gesture' => 'edit'])
            ->assertForbidden()
            ->assertJsonPath('code', 'role')
            ->assertJsonPath(
                'message',
                'You are reader in this crew. This takes apprentice, or a higher role: ask an owner of the crew.',
            );
        $this->getJson("/api/jobs/{$job}")->assertJsonPath('revision', 1);
    }

    /** @return list<mixed> of what is noted when it is changed */
    private function stateOf(string $job): array
    {
        $row = DB::table('jobs')->where('id', $job)->first(['archived_at', 'deleted_at']);

        return [
            (array) $row,
            DB::table('shares')->where('job_id', $job)->pluck('withdrawn_at')->all(),
            DB::table('users')->where('id', $this->lead->id)->value('password'),
        ];
    }
}
