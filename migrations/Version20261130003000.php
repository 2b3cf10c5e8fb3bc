<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130003000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Remarks about a stretch; sentences that a teacher keeps; what a class watches.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assignment ADD screening JSON DEFAULT NULL');
        $this->addSql('ALTER TABLE remark ADD until_frame INT DEFAULT NULL');
        $this->addSql('ALTER TABLE remark ADD is_done BOOLEAN DEFAULT false NOT NULL');
        $this->addSql('CREATE TABLE sentence (id UUID NOT NULL, teacher_id UUID NOT NULL, hash VARCHAR(32) NOT NULL, text TEXT NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX sentence_once ON sentence (teacher_id, hash)');
        $this->addSql('CREATE INDEX IDX_9D664ED541807E1D ON sentence (teacher_id)');
        $this->addSql('ALTER TABLE sentence ADD CONSTRAINT FK_9D664ED541807E1D FOREIGN KEY (teacher_id) REFERENCES person (id) NOT DEFERRABLE');
    }
}
