<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Crew;
use App\Models\Job;
use App\Models\User;
use App\People\Role;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Hash;
use Illuminate\Testing\PendingCommand;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use RuntimeException;
use Symfony\Component\HttpFoundation\Response;

abstract class TestCase extends BaseTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        if (config('database.connections.mariadb.database') !== 'fallbend_test') {
            throw new RuntimeException('Tests run on their own database only.');
        }
    }

    /**
     * Runs a command of the console.
     *
     * @param array<string, mixed> $with arguments and options
     */
    protected function command(string $command, array $with = []): PendingCommand
    {
        $pending = $this->artisan($command, $with);
        self::assertInstanceOf(PendingCommand::class, $pending);

        return $pending;
    }

    /**
     * Gives the job that an answer is about, as it is stored.
     *
     * @param TestResponse<Response> $answer
     */
    protected static function job(TestResponse $answer): Job
    {
        $id = $answer->json('id');
        self::assertIsString($id);

        return Job::query()->findOrFail($id);
    }

    protected static function member(Crew $crew, string $name, Role $role = Role::Owner): User
    {
        $user = User::query()->create([
            'name' => $name,
            'email' => "{$name}@example.test",
            'password' => Hash::make('secret-'.$name),
        ]);
        $user->crews()->attach($crew, ['role' => $role->value]);

        return $user;
    }

    /** @return array<string, mixed> */
    protected static function demo(string $name = 'mill-row-pottery'): array
    {
        /** @var array<string, mixed> $document */
        $document = json_decode(
            (string) file_get_contents(base_path("database/demo/{$name}.json")),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );

        return $document;
    }

    /** Holds an answer to a shape of the API description. */
    protected static function assertShape(string $name, string $json): void
    {
        /** @var array<string, mixed> $description */
        $description = json_decode(
            (string) file_get_contents(base_path('docs/openapi.json')),
            true,
            256,
            JSON_THROW_ON_ERROR,
        );
        $schema = json_encode(
            [
                '$schema' => 'https://json-schema.org/draft/2020-12/schema',
                '$ref' => "#/components/schemas/{$name}",
                'components' => $description['components'],
            ],
            JSON_THROW_ON_ERROR,
        );
        // Empty lists of names stand for empty objects in what was decoded.
        $schema = str_replace('"properties":[]', '"properties":{}', $schema);
        $error = (new Validator)->validate(json_decode($json), $schema)->error();
        self::assertNull(
            $error,
            $error === null ? '' : json_encode((new ErrorFormatter)->format($error), JSON_THROW_ON_ERROR),
        );
    }

    /**
     * @param mixed $list of an answer
     * @return Collection<int|string, mixed>
     */
    protected static function rows(mixed $list): Collection
    {
        self::assertIsArray($list);

        return new Collection($list);
    }
}
