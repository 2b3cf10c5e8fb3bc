<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/** The columns of OneRoster 1.2's CSV files, in their order, and the files that a manifest tells of (both from memory). */
final class OneRosterColumns
{
    public const SESSIONS = ['sourcedId', 'status', 'dateLastModified', 'title', 'type', 'startDate', 'endDate', 'parentSourcedId', 'schoolYear'];
    public const ORGS = ['sourcedId', 'status', 'dateLastModified', 'name', 'type', 'identifier', 'parentSourcedId'];
    public const COURSES = [
        'sourcedId', 'status', 'dateLastModified', 'schoolYearSourcedId', 'title', 'courseCode', 'grades', 'orgSourcedId', 'subjects', 'subjectCodes',
    ];
    public const CLASSES = [
        'sourcedId', 'status', 'dateLastModified', 'title', 'grades', 'courseSourcedId', 'classCode', 'classType', 'location', 'schoolSourcedId',
        'termSourcedIds', 'subjects', 'subjectCodes', 'periods',
    ];
    public const USERS = [
        'sourcedId', 'status', 'dateLastModified', 'enabledUser', 'username', 'userIds', 'givenName', 'familyName', 'middleName', 'identifier',
        'email', 'sms', 'phone', 'agentSourcedIds', 'grades', 'password', 'userMasterIdentifier', 'resourceSourcedIds', 'preferredGivenName',
        'preferredMiddleName', 'preferredFamilyName', 'primaryOrgSourcedId', 'pronouns',
    ];
    public const ROLES = [
        'sourcedId', 'status', 'dateLastModified', 'userSourcedId', 'roleType', 'role', 'beginDate', 'endDate', 'orgSourcedId', 'userProfileSourcedId',
    ];
    public const ENROLLMENTS = [
        'sourcedId', 'status', 'dateLastModified', 'classSourcedId', 'schoolSourcedId', 'userSourcedId', 'role', 'primary', 'beginDate', 'endDate',
    ];
    /** Whether it is written. */
    public const ALL = [
        'academicSessions' => true, 'categories' => false, 'classes' => true, 'classResources' => false, 'courses' => true,
        'courseResources' => false, 'demographics' => false, 'enrollments' => true, 'lineItemLearningObjectiveIds' => false,
        'lineItems' => false, 'lineItemScoreScales' => false, 'orgs' => true, 'resources' => false, 'resultLearningObjectiveIds' => false,
        'results' => false, 'resultScoreScales' => false, 'roles' => true, 'scoreScales' => false, 'userProfiles' => false,
        'userResources' => false, 'users' => true,
    ];
}
