<?php

declare(strict_types=1);

namespace App\Api;

/** The calls about people: signing in, the first account, invitations, passwords, crews. */
final class PeopleDescription
{
    private const TEXT = ['type' => 'string'];

    private const ROLE = ['enum' => ['owner', 'lead', 'plumber', 'apprentice', 'reader']];

    private const NAME = ['type' => 'string', 'maxLength' => 80];

    /** @return array<string, mixed> */
    public static function paths(): array
    {
        return self::ofSessions() +
            self::ofTheEntrance() +
            self::ofSigningUp() +
            self::ofInvitations() +
            self::ofAccounts() +
            self::ofCrews() +
            self::ofRoles();
    }

    /** @return array<string, mixed> */
    private static function ofSessions(): array
    {
        return [
            '/api/session' => [
                'get' => Calls::describe('Who is signed in', null, 'Account'),
                'post' => Calls::describe(
                    'Sign in',
                    [
                        'type' => 'object',
                        'properties' => ['email' => self::TEXT, 'password' => self::TEXT, 'code' => self::TEXT],
                        'required' => ['email', 'password'],
                    ],
                    'Account',
                    [422 => 'Problem', 429 => 'Problem'],
                ),
                'delete' => Calls::describe('Sign out', null, null, [], 204),
            ],
        ];
    }

    /** @return array<string, mixed> what is open to those who are not signed in */
    private static function ofTheEntrance(): array
    {
        $person = ['name' => self::NAME, 'email' => self::TEXT, 'password' => self::TEXT];

        return [
            '/api/entrance' => [
                'get' => Calls::describe(
                    'Whether the first account is still to be made, and whether letters are sent',
                    null,
                    'Entrance',
                ),
            ],
            '/api/entrance/first' => [
                'post' => Calls::describe(
                    'The first account of an empty installation, with its crew; it is signed in',
                    Shapes::object($person + ['crew' => self::NAME]),
                    'Account',
                    [409 => 'Problem', 422 => 'Problem', 429 => 'Problem'],
                    201,
                ),
            ],
            '/api/entrance/forgotten' => [
                'post' => Calls::describe(
                    'Send a link to a new password to whoever has an account with the address',
                    Shapes::object(['email' => self::TEXT]),
                    null,
                    [422 => 'Problem', 429 => 'Problem'],
                    204,
                ),
            ],
            '/api/entrance/reset' => [
                'post' => Calls::describe(
                    'Set a new password with what stood in the letter; it is signed in here, and nowhere else',
                    [
                        'type' => 'object',
                        'properties' => [
                            'email' => self::TEXT,
                            'token' => self::TEXT,
                            'password' => self::TEXT,
                            'code' => self::TEXT,
                        ],
                        'required' => ['email', 'token', 'password'],
                    ],
                    'Account',
                    [422 => 'Problem', 429 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> where anybody may have an account */
    private static function ofSigningUp(): array
    {
        return [
            '/api/entrance/sign-up' => [
                'post' => Calls::describe(
                    'Send a letter with a link to make an account with, where anybody may have one',
                    Shapes::object(['email' => self::TEXT]),
                    null,
                    [404 => 'Problem', 422 => 'Problem', 429 => 'Problem'],
                    204,
                ),
            ],
            '/api/entrance/sign-up/{letter}' => [
                'post' => Calls::describe(
                    'An account with a crew of its own, for whoever had the letter; it is signed in',
                    Shapes::object(['name' => self::NAME, 'password' => self::TEXT, 'crew' => self::NAME]),
                    'Account',
                    [404 => 'Problem', 422 => 'Problem', 429 => 'Problem'],
                    201,
                ) + ['parameters' => [self::inPath('letter', self::TEXT)]],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofInvitations(): array
    {
        $token = ['parameters' => [self::inPath('token', self::TEXT)]];

        return [
            '/api/invitations/{token}' => [
                'get' => Calls::describe('What an invitation is to', null, 'OpenInvitation', [404 => 'Problem']) +
                    $token,
                'post' => Calls::describe(
                    'Join a crew: with the account that is signed in, or with a new one',
                    [
                        'type' => 'object',
                        'properties' => ['name' => self::NAME, 'email' => self::TEXT, 'password' => self::TEXT],
                    ],
                    'Account',
                    [404 => 'Problem', 422 => 'Problem', 429 => 'Problem'],
                    201,
                ) + $token,
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofAccounts(): array
    {
        return [
            '/api/account' => [
                'put' => Calls::describe(
                    'Change the name that others see',
                    Shapes::object(['name' => self::NAME]),
                    'Account',
                    [422 => 'Problem'],
                ),
            ],
            '/api/account/password' => [
                'put' => Calls::describe(
                    'A new password; every other device is signed out',
                    Shapes::object(['current' => self::TEXT, 'password' => self::TEXT]),
                    null,
                    [422 => 'Problem', 429 => 'Problem'],
                    204,
                ),
            ],
            '/api/account/address' => [
                'post' => Calls::describe(
                    'Send a letter to another address, with the link that takes it to sign in with',
                    Shapes::object(['current' => self::TEXT, 'email' => self::TEXT]),
                    null,
                    [422 => 'Problem', 429 => 'Problem'],
                    204,
                ),
            ],
            '/api/account/address/{letter}' => [
                'put' => Calls::describe(
                    'Sign in with the address to which the letter went, from now on',
                    null,
                    'Account',
                    [404 => 'Problem', 429 => 'Problem'],
                ) + ['parameters' => [self::inPath('letter', self::TEXT)]],
            ],
            '/api/account/second-factor' => self::ofTheSecondFactor(),
            '/api/account/audit' => ['get' => self::audit('What was done with the account')],
            '/api/account/devices' => [
                'get' => Calls::describe(
                    'The devices on which somebody is signed in',
                    null,
                    Shapes::object(['devices' => Shapes::list(Shapes::ref('SignedInDevice'))]),
                ),
                'delete' => Calls::describe('Sign out every device but this one', null, null, [], 204),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofTheSecondFactor(): array
    {
        $problems = [422 => 'Problem', 429 => 'Problem'];
        $password = Shapes::object(['current' => self::TEXT]);

        return [
            'post' => Calls::describe(
                'Begin to set up a second factor: what the phone reads is said this once',
                $password,
                'BegunSecondFactor',
                $problems,
                201,
            ),
            'put' => Calls::describe(
                'Ask for it from now on, given a code of it; codes for paper are said this once',
                Shapes::object(['code' => self::TEXT]),
                'RecoveryCodes',
                $problems,
            ),
            'delete' => Calls::describe('Ask for it no more', $password, null, $problems, 204),
        ];
    }

    /**
     * @param list<array<string, mixed>> $parameters
     * @return array<string, mixed>
     */
    private static function audit(string $summary, array $parameters = []): array
    {
        $before = [
            'name' => 'before',
            'in' => 'query',
            'description' => 'the entry before which they stand; without it the newest',
            'schema' => ['type' => 'integer'],
        ];

        return Calls::describe(
            "{$summary}, the newest first",
            null,
            Shapes::object(['entries' => Shapes::list(Shapes::ref('AuditEntry'))]),
            [403 => 'Problem', 404 => 'Problem', 422 => 'Problem'],
        ) + ['parameters' => [...$parameters, $before]];
    }

    /** @return array<string, mixed> what the owner of a crew does with its people */
    private static function ofRoles(): array
    {
        $crew = self::inPath('crew', ['type' => 'integer']);
        $person = ['parameters' => [$crew, self::inPath('person', ['type' => 'integer'])]];
        $problems = [403 => 'Problem', 404 => 'Problem', 422 => 'Problem'];
        $role = Shapes::object(['role' => self::ROLE]);

        return [
            '/api/status' => [
                'get' => Calls::describe('How the installation is', null, 'InstallationStatus', [403 => 'Problem']),
            ],
            '/api/crews/{crew}/audit' => [
                'get' => self::audit('What was done in a crew', [$crew]),
            ],
            '/api/crews/{crew}/people/{person}' => [
                'put' => Calls::describe('Give somebody a role', $role, null, $problems, 204) + $person,
                'delete' => Calls::describe('Take somebody out of a crew', null, null, $problems, 204) + $person,
            ],
            '/api/crews/{crew}/membership' => [
                'delete' => Calls::describe('Leave a crew', null, 'Account', [404 => 'Problem', 422 => 'Problem']) + [
                    'parameters' => [$crew],
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofCrews(): array
    {
        $crew = self::inPath('crew', ['type' => 'integer']);
        $at = ['parameters' => [$crew]];
        $named = Shapes::object(['name' => self::NAME]);
        $problems = [404 => 'Problem', 422 => 'Problem'];

        return [
            '/api/crews' => [
                'post' => Calls::describe('Start another crew', $named, 'Account', [422 => 'Problem'], 201),
            ],
            '/api/crews/{crew}' => [
                'get' => Calls::describe('Who is in a crew', null, 'CrewPeople', [404 => 'Problem']) + $at,
                'put' => Calls::describe('Change the name of a crew', $named, 'Account', $problems) + $at,
            ],
            '/api/crews/{crew}/choose' => [
                'post' => Calls::describe('Work for a crew from now on', null, 'Account', [404 => 'Problem']) + $at,
            ],
            '/api/crews/{crew}/invitations' => [
                'post' => Calls::describe(
                    'A new invitation; what stands in its link is said this once',
                    [
                        'type' => 'object',
                        'properties' => ['for' => self::NAME, 'role' => self::ROLE],
                        'required' => ['for'],
                    ],
                    Shapes::object(['invitation' => Shapes::ref('Invitation'), 'link' => self::TEXT]),
                    $problems,
                    201,
                ) + $at,
            ],
            '/api/crews/{crew}/invitations/{invitation}' => [
                'delete' => Calls::describe('Withdraw an invitation', null, null, [404 => 'Problem'], 204) + [
                    'parameters' => [$crew, self::inPath('invitation', ['type' => 'integer'])],
                ],
            ],
        ];
    }

    /**
     * @param array<string, mixed> $schema
     * @return array<string, mixed>
     */
    private static function inPath(string $name, array $schema): array
    {
        return ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => $schema];
    }
}
