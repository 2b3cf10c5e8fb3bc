<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261128160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What comes in may go beside what its slide shows, or in the place of one of several pictures.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE asset ADD beside BOOLEAN DEFAULT false NOT NULL, ADD layer VARCHAR(64) DEFAULT NULL');
    }
}
