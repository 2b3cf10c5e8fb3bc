<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

/** Who is let through to each route of the contract; AccessTest asks for all of them as everybody. */
final class WhoMay
{
    private const OWNER = ['sam'];
    /** One of them answers it as a student of the class, by lot. */
    private const WATCHERS = ['sam', 'sue', 'tara', 'hugo', 'gil'];
    /** Who teaches the class, one of them as a helper; the school's administrator sees to its people. */
    private const TEACHER = ['tara', 'hugo'];
    private const LEAD = ['tara'];
    private const TEACHERS = ['tara', 'hugo', 'ada'];
    private const LEADS = ['tara', 'ada'];
    /**
     * Nobody; students of the class; one of another; teachers of the class, of another; administrators of the school, of another;
     * a guest, who is asked to Sam's film.
     */
    public const EVERYBODY = [null, 'sam', 'sue', 'ben', 'tara', 'hugo', 'theo', 'ada', 'olga', 'gil'];
    private const ALL_SIGNED_IN = [...self::SIGNED_IN, 'gil'];
    private const SIGNED_IN = ['sam', 'sue', 'ben', 'tara', 'hugo', 'theo', 'ada', 'olga'];

    private const GROWN_UP = ['tara', 'hugo', 'theo', 'ada', 'olga'];

    /** @var array<string, list<string|null>> who is let through to the route's own work */
    public const MAY = [
        'GET /api/session' => self::EVERYBODY,
        'POST /api/session/begin' => self::EVERYBODY,
        'POST /api/session/class' => self::EVERYBODY,
        'POST /api/session/card' => self::EVERYBODY,
        'POST /api/session/end' => self::ALL_SIGNED_IN,
        'GET /api/health' => self::EVERYBODY,
        'POST /api/trouble' => self::EVERYBODY,
        'GET /api/account' => self::GROWN_UP,
        'PUT /api/account/password' => self::GROWN_UP,
        'POST /api/account/second-step' => self::GROWN_UP,
        'PUT /api/account/second-step' => self::GROWN_UP,
        'POST /api/account/second-step/end' => self::GROWN_UP,
        'DELETE /api/school/people/{id}/second-step' => ['ada'],
        'GET /api/desk' => self::ALL_SIGNED_IN,
        'GET /api/icons.json' => self::SIGNED_IN,
        'GET /api/icons/{name}.svg' => self::SIGNED_IN,
        'GET /api/drifts/{shape}/{kind}/{way}/{strength}/{depth}-{seed}.svg' => self::SIGNED_IN,
        'POST /api/stories' => self::SIGNED_IN,
        'GET /api/stories/{id}' => self::OWNER,
        'DELETE /api/stories/{id}' => self::OWNER,
        'POST /api/stories/{id}/restore' => self::OWNER,
        'POST /api/stories/{id}/edits' => self::OWNER,
        'POST /api/stories/{id}/slides' => self::OWNER,
        'POST /api/stories/{id}/copies' => self::OWNER,
        'POST /api/stories/{id}/undo' => self::OWNER,
        'POST /api/stories/{id}/redo' => self::OWNER,
        'PUT /api/assignments/{id}/evening' => self::LEAD,
        'DELETE /api/assignments/{id}/evening' => self::LEAD,
        // Whoever has the link (EveningTest).
        'GET /api/evenings/{id}' => self::EVERYBODY,
        'GET /api/evenings/{id}/films/{film}/film' => self::EVERYBODY,
        'GET /api/evenings/{id}/films/{film}/captions.vtt' => self::EVERYBODY,
        'GET /api/stories/{id}/story.zip' => self::OWNER,
        'GET /api/assignments/{id}/films.zip' => self::TEACHER,
        'GET /api/stories/{id}/revision' => self::OWNER,
        'GET /api/stories/{id}/makers' => ['sam', 'tara'],
        'PUT /api/stories/{id}/makers/{maker}' => ['sam', 'tara'],
        // Who makes it takes only themselves out (TogetherTest).
        'DELETE /api/stories/{id}/makers/{maker}' => ['tara'],
        'GET /api/assignments/{id}/groups' => self::TEACHER,
        'POST /api/assignments/{id}/groups' => self::LEAD,
        'GET /api/stories/{id}/styles.json' => self::OWNER,
        'GET /api/stories/{id}/words/{hash}.png' => self::OWNER,
        'GET /api/stories/{id}/assets' => self::OWNER,
        'POST /api/stories/{id}/assets' => self::OWNER,
        'GET /api/stories/{id}/assets/{asset}/{name}' => self::OWNER,
        'GET /api/stories/{id}/assets/{asset}/levels.json' => self::OWNER,
        'POST /api/stories/{id}/assets/{asset}/frames' => self::OWNER,
        'GET /api/stories/{id}/slides/{slide}/spoken.json' => self::OWNER,
        'GET /api/stories/{id}/rehearsal.json' => self::OWNER,
        'GET /api/stories/{id}/slides/{slide}/takes.json' => self::OWNER,
        'GET /api/stories/{id}/split.json' => self::OWNER,
        'GET /api/assets/{id}' => self::OWNER,
        'DELETE /api/assets/{id}' => self::OWNER,
        'PUT /api/assets/{id}/parts/{number}' => self::OWNER,
        'POST /api/assets/{id}/finish' => self::OWNER,
        'POST /api/stories/{id}/films' => self::OWNER,
        'GET /api/films/{id}' => self::WATCHERS,
        'POST /api/films/{id}/cancel' => self::OWNER,
        'GET /api/films/{id}/film.{container}' => self::WATCHERS,
        'GET /api/films/{id}/captions.vtt' => self::WATCHERS,
        'GET /api/films/{id}/captions.{format}' => self::WATCHERS,
        'POST /api/classes' => ['tara', 'theo', 'hugo', 'ada', 'olga'],
        'GET /api/classes/{id}' => self::TEACHERS,
        'PUT /api/classes/{id}' => self::LEADS,
        'POST /api/classes/{id}/students' => self::LEADS,
        'PUT /api/classes/{id}/cards' => self::LEADS,
        'POST /api/classes/{id}/cards' => self::LEADS,
        'PATCH /api/classes/{id}/students/{student}' => self::LEADS,
        'DELETE /api/classes/{id}/students/{student}' => self::LEADS,
        'PUT /api/classes/{id}/students/{student}' => self::LEADS,
        'PUT /api/classes/{id}/teachers/{teacher}' => self::LEADS,
        'DELETE /api/classes/{id}/teachers/{teacher}' => self::LEADS,
        'POST /api/classes/{id}/archive' => self::LEADS,
        'DELETE /api/classes/{id}/archive' => self::LEADS,
        'POST /api/classes/{id}/next' => self::LEADS,
        'POST /api/classes/{id}/code' => self::LEADS,
        'DELETE /api/classes/{id}/code' => self::LEADS,
        'POST /api/classes/{id}/invitations' => self::LEADS,
        'GET /api/school/platforms' => ['ada', 'olga'],
        'POST /api/school/platforms' => ['ada', 'olga'],
        'PUT /api/school/platforms/{id}' => ['ada'],
        'DELETE /api/school/platforms/{id}' => ['ada'],
        'GET /api/classes/{id}/platform' => self::LEADS,
        'POST /api/classes/{id}/platform' => self::LEADS,
        // Whoever comes from a platform; what they bring along tells who they are (LtiTest).
        'GET /api/lti/keys.json' => self::EVERYBODY,
        'GET /api/lti/login' => self::EVERYBODY,
        'POST /api/lti/login' => self::EVERYBODY,
        'POST /api/lti/launch' => self::EVERYBODY,
        'POST /api/lti/arrive' => self::EVERYBODY,
        'POST /api/lti/back' => self::EVERYBODY,
        'POST /api/join' => self::EVERYBODY,
        'PUT /api/school' => ['ada', 'olga'],
        'GET /api/school' => ['ada', 'olga'],
        'GET /api/school/roster' => ['ada', 'olga'],
        'POST /api/school/roster' => ['ada', 'olga'],
        'POST /api/school/invitations' => ['ada', 'olga'],
        'POST /api/invitations/read' => self::EVERYBODY,
        'POST /api/invitations/accept' => self::EVERYBODY,
        'POST /api/invitations/take' => ['tara', 'hugo', 'theo', 'ada', 'olga'],
        'POST /api/classes/{id}/assignments' => self::LEAD,
        'PUT /api/assignments/{id}' => self::LEAD,
        'DELETE /api/assignments/{id}' => self::LEAD,
        'POST /api/assignments/{id}/restore' => self::LEAD,
        'POST /api/assignments/{id}/copies' => self::TEACHER,
        'GET /api/assignments/{id}' => self::TEACHER,
        'PUT /api/assignments/{id}/style' => self::LEAD,
        'PUT /api/assignments/{id}/letters' => self::LEAD,
        'PUT /api/assignments/{id}/beginning' => self::LEAD,
        'POST /api/assignments/{id}/handins' => ['sam', 'sue'],
        'GET /api/sentences' => self::GROWN_UP,
        'POST /api/sentences' => self::GROWN_UP,
        // What is somebody else's is not there, and is gone all the same.
        'DELETE /api/sentences/{id}' => self::GROWN_UP,
        'PUT /api/assignments/{id}/screening' => self::TEACHER,
        'POST /api/assignments/{id}/screening/lot' => self::TEACHER,
        'GET /api/rubrics' => self::GROWN_UP,
        'PUT /api/assignments/{id}/rubric' => self::LEAD,
        'DELETE /api/assignments/{id}/rubric' => self::LEAD,
        'PUT /api/handins/{id}/marks/{criterion}' => self::TEACHER,
        'GET /api/assignments/{id}/table.csv' => self::TEACHER,
        'PUT /api/assignments/{id}/closed' => self::LEAD,
        'DELETE /api/assignments/{id}/closed' => self::LEAD,
        'POST /api/handins/{id}/open' => self::TEACHER,
        'POST /api/handins/{id}/withdraw' => self::OWNER,
        'GET /api/handins/{id}' => self::WATCHERS,
        'GET /api/handins/{id}/cover.jpg' => self::WATCHERS,
        'GET /api/handins/{id}/guests' => self::LEAD,
        'POST /api/handins/{id}/guests' => self::LEAD,
        'DELETE /api/handins/{id}/guests/{guest}' => self::LEAD,
        'POST /api/handins/{id}/remarks' => ['tara', 'hugo', 'gil'],
        // A guest takes back what they said themselves (GuestTest).
        'DELETE /api/handins/{id}/remarks/{remark}' => self::TEACHER,
        'PUT /api/handins/{id}/remarks/{remark}/done' => ['sam', 'tara', 'hugo'],
        'POST /api/handins/{id}/spoken' => ['tara', 'hugo', 'gil'],
        'GET /api/handins/{id}/remarks/{remark}/voice.flac' => ['sam', 'tara', 'hugo', 'gil'],
        'POST /api/handins/{id}/answer' => self::TEACHER,
        // A guest sees one film, and is told of nothing else.
        'GET /api/news' => self::SIGNED_IN,
        'POST /api/handins/{id}/read' => self::OWNER,
        'GET /api/assignments/{id}/thanks' => self::TEACHER,
        'PUT /api/assignments/{id}/thanks' => self::TEACHER,
        'DELETE /api/assignments/{id}/thanks' => self::TEACHER,
        'GET /api/assignments/{id}/watched' => ['sam', 'sue'],
        'PUT /api/handins/{id}/thanks' => ['sue'],
        'DELETE /api/handins/{id}/thanks' => ['sue'],
        'DELETE /api/handins/{id}/thanks/{person}' => self::TEACHER,
        'POST /api/assignments/{id}/peers' => self::TEACHER,
        'PUT /api/handins/{id}/peer' => ['sue'],
        'PUT /api/handins/{id}/peers/{reviewer}/shown' => self::TEACHER,
        'DELETE /api/handins/{id}/peers/{reviewer}/shown' => self::TEACHER,
    ];
}
