<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261128200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'An assignment may tell how many letters stand on a picture at most.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assignment ADD most_letters INT DEFAULT NULL');
    }
}
