<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129190000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What an assignment asks besides a length; and that it is put away.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assignment ADD least_slides INT DEFAULT NULL');
        $this->addSql('ALTER TABLE assignment ADD most_slides INT DEFAULT NULL');
        $this->addSql("ALTER TABLE assignment ADD asked JSON DEFAULT '[]' NOT NULL");
        $this->addSql('ALTER TABLE assignment ADD put_away_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
    }
}
