<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261128040000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What comes in tells how far it is, and may be a frame of a clip.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE asset ADD progress SMALLINT DEFAULT NULL, ADD taken JSON DEFAULT NULL');
    }
}
