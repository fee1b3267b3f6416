# Versions are pinned to what Debian 12's Ruby 3.1 runs.
source "https://rubygems.org"

gem "sinatra", "4.2.1"
gem "rack-session", "2.1.2"
gem "puma", "7.2.1"
gem "zeitwerk", "2.6.18"
gem "activerecord", "7.2.4"
gem "pg", "1.7.0"
gem "ruby-vips", "2.3.0"
gem "nokogiri", "1.18.10"
gem "numo-narray", "0.9.2.1"
gem "json", "3.1.0"
gem "crass", "1.0.6"
gem "erubi", "1.13.1"
gem "rubyzip", "3.7.0", require: "zip"

group :test do
  gem "rspec", "3.13.2"
  gem "parallel_tests", "5.1.0"
  gem "rack-test", "2.2.0"
  gem "capybara", "3.40.0"
  gem "cuprite", "0.19"
end

group :lint, optional: true do
  gem "standard", "1.57.0"
end
