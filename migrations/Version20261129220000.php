<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129220000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What stands on a class\'s cards; a second step at the door.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE classroom ADD cards VARCHAR(12) DEFAULT 'words' NOT NULL");
        $this->addSql('ALTER TABLE person ADD second_step TEXT DEFAULT NULL');
        $this->addSql('ALTER TABLE person ADD last_step INT DEFAULT NULL');
        $this->addSql("ALTER TABLE person ADD spares JSON DEFAULT '[]' NOT NULL");
    }
}
