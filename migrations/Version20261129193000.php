<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129193000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What a school calls its people and classes in its own files.';
    }

    public function up(Schema $schema): void
    {
        foreach (['person', 'classroom', 'invitation'] as $table) {
            $this->addSql("ALTER TABLE {$table} ADD sourced_id VARCHAR(255) DEFAULT NULL");
        }
        $this->addSql('CREATE UNIQUE INDEX person_of_school ON person (school_id, sourced_id)');
        $this->addSql('CREATE UNIQUE INDEX class_of_school ON classroom (school_id, sourced_id)');
        $this->addSql('CREATE TABLE invitation_classroom (invitation_id UUID NOT NULL, classroom_id UUID NOT NULL, PRIMARY KEY(invitation_id, classroom_id))');
        $this->addSql('CREATE INDEX IDX_C7E3CB1CA35D7AF0 ON invitation_classroom (invitation_id)');
        $this->addSql('CREATE INDEX IDX_C7E3CB1C6278D5A8 ON invitation_classroom (classroom_id)');
        $this->addSql('ALTER TABLE invitation_classroom ADD CONSTRAINT FK_C7E3CB1CA35D7AF0 FOREIGN KEY (invitation_id) REFERENCES invitation (id) ON DELETE CASCADE');
        $this->addSql('ALTER TABLE invitation_classroom ADD CONSTRAINT FK_C7E3CB1C6278D5A8 FOREIGN KEY (classroom_id) REFERENCES classroom (id) ON DELETE CASCADE');
    }
}
