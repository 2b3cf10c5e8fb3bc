<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130074500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Learning platforms: who comes from them, which class their courses are, which assignments their links lead to.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE lti_arrival (came_at TIMESTAMP(0) WITHOUT TIME ZONE NOT NULL, until TIMESTAMP(0) WITHOUT TIME ZONE NOT NULL, ticket VARCHAR(64) NOT NULL, claims JSON NOT NULL, target TEXT NOT NULL, browser VARCHAR(64) NOT NULL, chosen_id UUID DEFAULT NULL, platform_id UUID NOT NULL, PRIMARY KEY (ticket))');
        $this->addSql('CREATE INDEX IDX_74A4C5AE638A358D ON lti_arrival (chosen_id)');
        $this->addSql('CREATE INDEX IDX_74A4C5AEFFE6496F ON lti_arrival (platform_id)');
        $this->addSql('CREATE TABLE lti_platform (id UUID NOT NULL, issuer VARCHAR(255) NOT NULL, client VARCHAR(255) NOT NULL, deployments JSON NOT NULL, authorisation TEXT NOT NULL, tokens TEXT NOT NULL, keys TEXT NOT NULL, came_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL, fault VARCHAR(24) DEFAULT NULL, score_failed_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL, name VARCHAR(120) NOT NULL, school_id UUID NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX lti_platform_once ON lti_platform (issuer, client)');
        $this->addSql('CREATE INDEX IDX_C41F6828C32A47EE ON lti_platform (school_id)');
        $this->addSql('CREATE TABLE lti_person (id UUID NOT NULL, subject VARCHAR(255) NOT NULL, platform_id UUID NOT NULL, person_id UUID NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX lti_person_once ON lti_person (platform_id, subject)');
        $this->addSql('CREATE INDEX IDX_1A394C4AFFE6496F ON lti_person (platform_id)');
        $this->addSql('CREATE INDEX IDX_1A394C4A217BBB47 ON lti_person (person_id)');
        $this->addSql('CREATE TABLE lti_course (id UUID NOT NULL, names TEXT DEFAULT NULL, course VARCHAR(255) NOT NULL, platform_id UUID NOT NULL, classroom_id UUID NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX lti_course_once ON lti_course (platform_id, course)');
        $this->addSql('CREATE INDEX IDX_387BF285FFE6496F ON lti_course (platform_id)');
        $this->addSql('CREATE INDEX IDX_387BF2856278D5A8 ON lti_course (classroom_id)');
        $this->addSql('CREATE TABLE lti_link (id UUID NOT NULL, scores TEXT DEFAULT NULL, link VARCHAR(255) NOT NULL, course_id UUID NOT NULL, assignment_id UUID NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX lti_link_once ON lti_link (course_id, link)');
        $this->addSql('CREATE INDEX IDX_7811DEC0591CC992 ON lti_link (course_id)');
        $this->addSql('CREATE INDEX IDX_7811DEC0D19302F8 ON lti_link (assignment_id)');
        $this->addSql('CREATE TABLE lti_begun (until TIMESTAMP(0) WITHOUT TIME ZONE NOT NULL, state VARCHAR(64) NOT NULL, nonce VARCHAR(40) NOT NULL, target TEXT NOT NULL, browser VARCHAR(64) NOT NULL, platform_id UUID NOT NULL, PRIMARY KEY (state))');
        $this->addSql('CREATE INDEX IDX_CD627535FFE6496F ON lti_begun (platform_id)');
        $this->addSql('ALTER TABLE lti_arrival ADD CONSTRAINT FK_74A4C5AE638A358D FOREIGN KEY (chosen_id) REFERENCES assignment (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_arrival ADD CONSTRAINT FK_74A4C5AEFFE6496F FOREIGN KEY (platform_id) REFERENCES lti_platform (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_platform ADD CONSTRAINT FK_C41F6828C32A47EE FOREIGN KEY (school_id) REFERENCES school (id) NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_person ADD CONSTRAINT FK_1A394C4AFFE6496F FOREIGN KEY (platform_id) REFERENCES lti_platform (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_person ADD CONSTRAINT FK_1A394C4A217BBB47 FOREIGN KEY (person_id) REFERENCES person (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_course ADD CONSTRAINT FK_387BF285FFE6496F FOREIGN KEY (platform_id) REFERENCES lti_platform (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_course ADD CONSTRAINT FK_387BF2856278D5A8 FOREIGN KEY (classroom_id) REFERENCES classroom (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_link ADD CONSTRAINT FK_7811DEC0591CC992 FOREIGN KEY (course_id) REFERENCES lti_course (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_link ADD CONSTRAINT FK_7811DEC0D19302F8 FOREIGN KEY (assignment_id) REFERENCES assignment (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('ALTER TABLE lti_begun ADD CONSTRAINT FK_CD627535FFE6496F FOREIGN KEY (platform_id) REFERENCES lti_platform (id) ON DELETE CASCADE NOT DEFERRABLE');
        $this->addSql('CREATE TABLE lti_key (id INT NOT NULL, sealed TEXT NOT NULL, PRIMARY KEY (id))');
    }
}
