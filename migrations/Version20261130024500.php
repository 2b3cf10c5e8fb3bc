<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130024500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A film is played through before it is handed in.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE film ADD problems JSON DEFAULT NULL');
        // What was made before is watched already.
        $this->addSql("UPDATE film SET problems = '[]' WHERE state = 'done'");
    }
}
