<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129233000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'By whose clock a day is over; assignments that take no more films.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE school ADD zone VARCHAR(40) DEFAULT 'UTC' NOT NULL");
        $this->addSql('ALTER TABLE assignment ADD closed_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
    }
}
